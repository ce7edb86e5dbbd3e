'use client';

import { FileInput, X } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { drillOf } from '#core/practice/drillList.ts';
import { failureWords } from '#store/words.ts';
import { download } from '#ui/download.ts';
import { FileButton } from '#ui/parts/FileButton.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/practise.ts';
import { linkOf, readTasks, taskList, writeTasks, type TaskName } from './round.ts';
import { useTasks } from './useTasks.ts';

/** Larger files hold no list of tasks. */
const MOST_BYTES = 100_000;

/** Tasks for a class: put together here, handed on as a link or a file, opened from a file. */
export const ClassList = ({
  tasks,
  onChange,
}: {
  tasks: readonly TaskName[];
  onChange: (tasks: readonly TaskName[]) => void;
}) => {
  const [, setTasks] = useTasks();
  const [said, setSaid] = useState<string>();
  const open = async (file: File) => {
    const found = file.size > MOST_BYTES ? [] : readTasks(await file.text());
    setSaid(found.length === 0 ? words.noList(file.name) : words.listOpened(file.name, found.length));
    if (found.length > 0) onChange(found);
  };
  return (
    <Panel title={words.classList} note={words.classSays}>
      {tasks.length === 0 && <p className="quiet">{words.classHow}</p>}
      {tasks.length > 0 && (
        <ol className="drill-class">
          {tasks.map((task, i) => {
            const name = drillOf(task.drill)?.name ?? task.drill;
            return (
              <li key={`${i} ${writeTasks([task])}`}>
                <span>
                  {name}{' '}
                  <span className="quiet">
                    {words.levelIs(task.level)}, {words.seedIs(task.seed)}
                  </span>
                </span>
                <Button
                  size="sm"
                  variant="outline-secondary"
                  aria-label={words.takeOut(name, i + 1)}
                  onClick={() => onChange(tasks.filter((_, n) => n !== i))}
                >
                  <X size={14} aria-hidden="true" />
                </Button>
              </li>
            );
          })}
        </ol>
      )}
      <div className="drill-foot">
        {tasks.length > 0 && (
          <>
            <Button size="sm" onClick={() => setTasks({ tasks })}>
              {words.startList}
            </Button>
            <Button
              size="sm"
              variant="outline-secondary"
              onClick={() =>
                void navigator.clipboard.writeText(linkOf(tasks, window.location.href)).then(
                  () => setSaid(words.linkCopied),
                  () => setSaid(linkOf(tasks, window.location.href)),
                )
              }
            >
              {words.copyLink}
            </Button>
            <Button
              size="sm"
              variant="outline-secondary"
              onClick={() => download('practice tasks.txt', taskList(tasks), 'text/plain')}
            >
              {words.saveList}
            </Button>
          </>
        )}
        <FileButton
          size="sm"
          label={words.listFile}
          accept=".txt,text/plain"
          onFile={(file) => void open(file).catch((error: unknown) => setSaid(failureWords(error)))}
        >
          <FileInput size={14} aria-hidden="true" /> {words.openList}
        </FileButton>
      </div>
      <p role="status" className="quiet drill-said">
        {said}
      </p>
    </Panel>
  );
};
