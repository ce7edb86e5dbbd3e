'use client';

import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { termsLike } from './glossary.ts';
import { Meaning } from './Meaning.tsx';
import { words } from '#ui/wording/help.ts';

/** Every term of the app, searched by name, other name or meaning. */
export const Words = () => {
  const [text, setText] = useState('');
  const found = termsLike(text);
  return (
    <>
      <Form.Control
        type="search"
        aria-label={words.searchTheWords}
        placeholder={words.searchPullZebraEi}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <p className="quiet small my-2" role="status">
        {found.length === 0 ? 'No such word here: the guide may have it.' : `${found.length} words`}
      </p>
      <ul className="words">
        {found.map((id) => (
          <li key={id}>
            <Meaning id={id} />
          </li>
        ))}
      </ul>
    </>
  );
};
