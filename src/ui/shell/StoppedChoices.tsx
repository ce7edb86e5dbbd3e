'use client';

import { useState, useSyncExternalStore } from 'react';
import Button from 'react-bootstrap/Button';
import { allRecordsJson } from '#store/exports/allRecordsJson.ts';
import { resolveSelection } from '#store/selection.ts';
import { failureWords } from '#store/words.ts';
import { leaveOutSetup } from '../bench/leftOut.ts';
import { markSaved } from '../bench/marker.ts';
import { openServices } from '../bench/services.ts';
import { download } from '../download.ts';
import { words } from '#ui/wording/shellNotices.ts';
import { words as named } from '#ui/wording/shell.ts';

const never = () => () => undefined;

/** The set-up that the address means; the first where it says nothing. */
const setupHere = (): string | undefined => {
  const url = new URLSearchParams(window.location.search);
  const ids = { shoot: url.get('shoot'), setup: url.get('setup'), camera: url.get('camera') };
  try {
    return resolveSelection(openServices().book.getState(), ids)?.setup.id ?? ids.setup ?? undefined;
  } catch {
    return ids.setup ?? undefined;
  }
};

/** What can be done where a screen stopped, so that nothing is lost and work goes on. */
export const StoppedChoices = ({ reset }: { reset: () => void }) => {
  const services = useSyncExternalStore(never, openServices, () => undefined);
  const [problem, setProblem] = useState<string>();
  const undoable = services?.book.getState().undoable;
  const goOn = () => {
    const setup = setupHere();
    if (setup) leaveOutSetup(setup);
    window.location.replace(new URL('/plan', window.location.href));
  };
  const backUp = async () => {
    if (!services) return;
    try {
      const text = await allRecordsJson(services.database, new Date());
      download('candelum-records.json', text, 'application/json');
      markSaved(new Date());
    } catch (failed) {
      setProblem(`The records were not saved: ${failureWords(failed)}.`);
    }
  };
  return (
    <>
      <div className="d-flex flex-wrap justify-content-center gap-2">
        <Button variant="outline-secondary" onClick={reset}>
          {words.showItAgain}
        </Button>
        <Button
          variant="outline-secondary"
          disabled={!undoable}
          onClick={() => void services?.book.undo().then(reset)}
        >
          {undoable ? named.undoNamed(undoable) : words.nothingToUndo}
        </Button>
        <Button variant="outline-secondary" onClick={goOn}>
          {words.goOnWithoutThis}
        </Button>
        <Button variant="outline-secondary" onClick={() => void backUp()}>
          {words.saveAllRecords}
        </Button>
      </div>
      {problem && (
        <p className="text-warn mt-2" role="alert">
          {problem}
        </p>
      )}
    </>
  );
};
