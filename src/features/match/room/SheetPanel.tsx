'use client';

import { FileText } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { failureWords } from '#store/words.ts';
import type { Evening } from '#ui/bench/room/roomBox.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import { download, slug } from '#ui/download.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/room.ts';
import type { MatchPair } from '../cameras/useMatchPair.ts';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import type { Room } from './useRoom.ts';

/** What goes to whoever takes over: the room's sheet, the log of the evening, a CDL and a LUT for a recording. */
export const SheetPanel = ({
  room: { cameras },
  pair,
  solved,
  evening,
}: {
  room: Room;
  pair: MatchPair;
  solved?: SolvedMatch;
  evening: Evening;
}) => {
  const { shoot, setup } = useSelection();
  const [problem, setProblem] = useState<string>();
  const name = `${slug(shoot.name)}-${slug(setup.name)}-room`;
  const own = pair.selections.camera;
  const make = async (kind: 'pdf' | 'csv' | 'json' | 'cdl' | 'lut') => {
    setProblem(undefined);
    try {
      const files = await import('./sheetFiles.ts');
      const sheet = files.sheetOf({ shoot: shoot.name, setup: setup.name, cameras, evening, at: new Date() });
      if (kind === 'pdf') download(`${name}.pdf`, await files.sheetPdf(sheet), 'application/pdf');
      if (kind === 'csv') download(`${name}.csv`, files.sheetCsv(sheet), 'text/csv');
      if (kind === 'json') download(`${name}.json`, files.sheetJson(sheet), 'application/json');
      if (!solved) return;
      const of = slug(`${own.camera.name} ${setup.name}`);
      if (kind === 'cdl') download(`${of}.cc`, files.cameraCdl(pair, solved), 'application/xml');
      if (kind === 'lut') download(`${of}.cube`, files.cameraLut(pair, solved), 'text/plain');
    } catch (error) {
      setProblem(words.sheetFailed(failureWords(error)));
    }
  };
  const button = (kind: Parameters<typeof make>[0], label: string, disabled = false) => (
    <Button
      key={kind}
      size="sm"
      variant="outline-secondary"
      disabled={disabled}
      onClick={() => void make(kind)}
    >
      {label}
    </Button>
  );
  return (
    <Panel title={words.sheet} note={words.sheetNote}>
      <div className="exports">
        <Button size="sm" variant="outline-secondary" onClick={() => void make('pdf')}>
          <FileText size={16} aria-hidden="true" /> {words.sheetPdf}
        </Button>
        {button('csv', words.sheetCsv)}
        {button('json', words.sheetJson)}
        {button('cdl', words.cdlOf(own.camera.name), !solved)}
        {button('lut', words.lutOf(own.camera.name), !solved)}
      </div>
      {problem && <p className="field-error">{problem}</p>}
    </Panel>
  );
};
