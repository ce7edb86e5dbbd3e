'use client';

import { Panel } from '#ui/parts/Panel.tsx';
import { Term } from '#ui/help/Term.tsx';
import { termOf } from '#ui/help/glossary.ts';
import { words } from '#ui/wording/practise.ts';
import { LESSONS } from './lessons.ts';

/** The idea of a lesson, over the task that shows it. */
export const LessonIntro = ({ id }: { id: string }) => {
  const at = LESSONS.findIndex((lesson) => lesson.id === id);
  if (at < 0) return null;
  const { title, idea, terms, why } = LESSONS[at];
  return (
    <Panel title={title} note={words.lessonOf(at + 1)} className="lesson">
      {idea.map((sentence) => (
        <p key={sentence} className="drill-text">
          {sentence}
        </p>
      ))}
      <p className="lesson-why">{why}</p>
      <p className="quiet lesson-words">
        {words.wordsOfIt}:{' '}
        {terms.map((term) => (
          <Term key={term} id={term}>
            {termOf(term).name}
          </Term>
        ))}
      </p>
    </Panel>
  );
};
