'use client';

import { useEffect, useState } from 'react';
import Markdown from 'react-markdown';

/** The guide that ships with the app. */
export const Guide = () => {
  const [text, setText] = useState<string>();
  const [isLost, setLost] = useState(false);
  useEffect(() => {
    let gone = false;
    const read = async () => {
      const answer = await fetch('/guide.md');
      if (!answer.ok) throw new Error(String(answer.status));
      const found = await answer.text();
      if (!gone) setText(found);
    };
    read().catch(() => gone || setLost(true));
    return () => {
      gone = true;
    };
  }, []);
  if (isLost) return <p className="field-error">The guide could not be read: load the page again.</p>;
  if (text === undefined) return <p className="quiet">Opening the guide…</p>;
  return (
    <div className="guide">
      {/* The dialog has its own title: headings stand one level lower. */}
      <Markdown components={{ h1: () => null, h2: 'h3', h3: 'h4' }}>{text}</Markdown>
    </div>
  );
};
