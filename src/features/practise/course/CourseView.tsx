'use client';

import { Check } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/practise.ts';
import { useResults } from '../usePractice.ts';
import { useTasks } from '../useTasks.ts';
import { isOfLesson, LESSONS, type Lesson } from './lessons.ts';

/** The course: twelve lessons, what was done of them, and the next one. */
export const CourseView = () => {
  const results = useResults();
  const [, setTasks] = useTasks();
  if (!results) return null;
  const isDone = (lesson: Lesson) => results.some((result) => isOfLesson(lesson, result));
  const next = LESSONS.find((lesson) => !isDone(lesson));
  const begin = ({ id, drill, seed }: Lesson) => setTasks({ tasks: [{ drill, level: 1, seed }], lesson: id });
  return (
    <Panel
      title={words.course}
      note={words.nothingLocked}
      tools={
        next && (
          <Button size="sm" onClick={() => begin(next)}>
            {next === LESSONS[0] ? words.begin : words.goOn}
          </Button>
        )
      }
    >
      <ol className="drill-list lessons">
        {LESSONS.map((lesson) => (
          <li key={lesson.id}>
            <span>
              <strong>{lesson.title}</strong> <span className="quiet">{words.minutes(lesson.minutes)}</span>
              {isDone(lesson) && (
                <span className="lesson-done">
                  <Check size={16} aria-hidden="true" /> {words.lessonDone}
                </span>
              )}
              <span className="drill-says">{lesson.idea[0]}</span>
            </span>
            <Button
              size="sm"
              variant="outline-secondary"
              aria-label={words.beginNamed(lesson.title)}
              onClick={() => begin(lesson)}
            >
              {words.begin}
            </Button>
          </li>
        ))}
      </ol>
    </Panel>
  );
};
