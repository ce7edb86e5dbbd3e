'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { cameraTests, dropCameraTest, keepCameraTest } from '#store/cameraTests.ts';
import type { CameraTestRecord } from '#store/records/cameraTest.ts';
import { failureWords } from '#store/words.ts';
import { dateIn, printDate } from '#core/day/clock.ts';
import { useBench } from '#ui/bench/hooks.ts';
import { download, slug } from '#ui/download.ts';
import { FileButton } from '#ui/parts/FileButton.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/kitTest.ts';
import { Comparison } from './Comparison.tsx';
import { KeptShots } from './KeptShots.tsx';
import { readTestFile, testFile, testRecord } from './keptModel.ts';
import { shotPictures } from './shotPictures.ts';
import type { CameraTest } from './useTest.ts';

const FILE_ENDING = '.camera-test.json';

/** What is told now, kept with what the camera had on it. */
const Keep = ({
  test,
  onProblem,
}: {
  test: CameraTest;
  onProblem: (problem: string | undefined) => void;
}) => {
  const { database } = useBench();
  const { state, camera } = test;
  const [lens, setLens] = useState('');
  const [firmware, setFirmware] = useState('');
  const [isPictured, setPictured] = useState(false);
  const { told } = state;
  const coding = state.clips.find(({ looked }) => looked)?.looked?.coding;
  if (!told || !coding) return null;
  const keep = async () => {
    const now = new Date();
    const pictures = isPictured ? await shotPictures(state.found, test.bench.picture) : undefined;
    const record = testRecord(told, {
      id: crypto.randomUUID(),
      name: words.testName(camera.name, printDate(dateIn(now))),
      at: now.toISOString(),
      lens,
      firmware,
      length: state.length,
      camera,
      coding,
      found: state.found,
      names: new Map(state.clips.map(({ id, file }) => [id, file.name])),
      ...(pictures ? { pictures } : {}),
    });
    try {
      await keepCameraTest(database, record);
      onProblem(undefined);
    } catch (error) {
      onProblem(words.notKept(failureWords(error)));
    }
  };
  return (
    <div className="test-keep">
      <Form.Group controlId="test-lens">
        <Form.Label>{words.lens}</Form.Label>
        <Form.Control size="sm" maxLength={120} value={lens} onChange={(e) => setLens(e.target.value)} />
      </Form.Group>
      <Form.Group controlId="test-firmware">
        <Form.Label>{words.firmware}</Form.Label>
        <Form.Control
          size="sm"
          maxLength={120}
          value={firmware}
          onChange={(e) => setFirmware(e.target.value)}
        />
      </Form.Group>
      <Form.Check
        type="checkbox"
        id="test-pictured"
        label={words.keepPictures}
        checked={isPictured}
        onChange={(event) => setPictured(event.target.checked)}
      />
      <Button variant="outline-secondary" size="sm" onClick={() => void keep()}>
        {words.keep}
      </Button>
    </div>
  );
};

const Kept = ({
  record,
  isChosen,
  onChoose,
  onDelete,
}: {
  record: CameraTestRecord;
  isChosen: boolean;
  onChoose: (isChosen: boolean) => void;
  onDelete: () => void;
}) => {
  const { name, lens, firmware, profile, at } = record;
  const hasPictures = record.shots.some(({ picture }) => picture !== undefined);
  const share = (withPictures: boolean) =>
    download(`${slug(name)}${FILE_ENDING}`, testFile(record, withPictures), 'application/json');
  return (
    <li className="test-kept">
      <Form.Check
        type="checkbox"
        id={`compare-${record.id}`}
        label={name}
        checked={isChosen}
        onChange={(event) => onChoose(event.target.checked)}
      />
      <span className="quiet num">
        {[words.keptSays(printDate(at.slice(0, 10)), profile.clipStops.toFixed(1)), lens, firmware]
          .filter((part) => part !== '')
          .join(' · ')}
      </span>
      <Button
        variant="outline-secondary"
        size="sm"
        aria-label={words.shareNamed(name)}
        onClick={() => share(false)}
      >
        {words.share}
      </Button>
      {hasPictures && (
        <Button
          variant="outline-secondary"
          size="sm"
          aria-label={words.shareNamedPictures(name)}
          onClick={() => share(true)}
        >
          {words.sharePictures}
        </Button>
      )}
      <Button variant="outline-secondary" size="sm" aria-label={words.deleteNamed(name)} onClick={onDelete}>
        {words.delete}
      </Button>
      <KeptShots record={record} />
    </li>
  );
};

/** Tests that are kept: held against each other, shared as files. */
export const KeptPanel = ({ test }: { test: CameraTest }) => {
  const { database } = useBench();
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [problem, setProblem] = useState<string>();
  const kept = useLiveQuery(() => cameraTests(database), [database]) ?? [];
  const [deleted, setDeleted] = useState<CameraTestRecord>();
  const keep = async (record: CameraTestRecord) => {
    try {
      await keepCameraTest(database, record);
      setProblem(undefined);
    } catch (error) {
      setProblem(words.notKept(failureWords(error)));
    }
  };
  const open = async (file: File) => {
    const read = readTestFile(await file.text(), crypto.randomUUID());
    if (read.ok) await keep(read.value);
    else setProblem(`${file.name}: ${read.reason}`);
  };
  const pair = chosen.flatMap((id) => kept.find((one) => one.id === id) ?? []);
  return (
    <Panel
      title={words.keptTests}
      note={words.keptNote}
      className="test-kept-panel"
      tools={
        <FileButton size="sm" label={words.testFile} accept=".json" onFile={(file) => void open(file)}>
          {words.openFile}
        </FileButton>
      }
    >
      <Keep test={test} onProblem={setProblem} />
      {problem && (
        <p className="field-error" role="alert">
          {problem}
        </p>
      )}
      {kept.length === 0 ? (
        <p className="quiet mb-0">{words.noneKept}</p>
      ) : (
        <ul className="test-kept-list">
          {kept.map((record) => (
            <Kept
              key={record.id}
              record={record}
              isChosen={chosen.includes(record.id)}
              onDelete={() => {
                setDeleted(record);
                void dropCameraTest(database, record.id);
              }}
              onChoose={(isOn) =>
                setChosen(isOn ? [...chosen, record.id].slice(-2) : chosen.filter((id) => id !== record.id))
              }
            />
          ))}
        </ul>
      )}
      {deleted && (
        <Button
          variant="outline-secondary"
          size="sm"
          onClick={() => {
            void keep(deleted);
            setDeleted(undefined);
          }}
        >
          {words.bringBack(deleted.name)}
        </Button>
      )}
      {kept.length > 1 && pair.length < 2 && <p className="quiet">{words.chooseTwo}</p>}
      {pair.length === 2 && <Comparison pair={[pair[0], pair[1]]} />}
    </Panel>
  );
};
