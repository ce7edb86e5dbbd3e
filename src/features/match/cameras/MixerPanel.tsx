'use client';

import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { writeCc } from '#core/formats/cdl.ts';
import { writeCube } from '#core/formats/cube.ts';
import { onScale } from '#core/lut/cubeScale.ts';
import { sampleLattice } from '#core/lut/lattice.ts';
import { compileMixer, mixerCdl, type Mixer, type MixerAnswer } from '#core/match/mixer.ts';
import { kindOf } from '#core/profile/kind.ts';
import { printSigned } from '#core/units.ts';
import { download, slug } from '#ui/download.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/match.ts';
import type { MatchPair } from './useMatchPair.ts';

const SIZE = 33;

type Row = {
  readonly name: string;
  readonly lift: number;
  readonly gamma: number;
  readonly gain: number;
};

const CHANNELS = [words.red, words.green, words.blue] as const;
const rowsOf = ({ lift, gamma, gain }: Mixer): Row[] =>
  CHANNELS.map((name, c) => ({ name, lift: lift[c], gamma: gamma[c], gain: gain[c] }));

const columns: readonly Column<Row>[] = [
  { id: 'channel', header: words.channel, cell: ({ name }) => name },
  {
    id: 'lift',
    header: words.lift,
    className: 'num',
    cell: ({ lift }) => (lift === 0 ? '0.00' : printSigned(lift, 2)),
  },
  { id: 'gamma', header: words.gamma, className: 'num', cell: ({ gamma }) => gamma.toFixed(2) },
  { id: 'gain', header: words.gain, className: 'num', cell: ({ gain }) => gain.toFixed(2) },
];

/** What is turned at a mixing desk instead of in post: the numbers first, then how much of it they do. */
export const MixerPanel = ({
  pair,
  answer,
  children,
}: {
  pair: MatchPair;
  answer: MixerAnswer;
  /** What else is done with the numbers. */
  children?: ReactNode;
}) => {
  const { mixer, before, after, atLimit } = answer;
  const { camera, hero } = pair.selections;
  const name = words.deskOf(camera.camera.name, hero.camera.name);
  const says = words.deskFormula;
  const logs = [camera, hero].filter(({ profile }) => kindOf(profile.data) === 'log');
  const saveCdl = () =>
    download(
      `${slug(name)}.cc`,
      writeCc({ id: name, cdl: mixerCdl(mixer), descriptions: [says] }),
      'application/xml',
    );
  const saveLut = () => {
    const lattice = sampleLattice(SIZE, onScale(compileMixer(mixer), 'code', camera.camera.coding));
    const comments = [says, words.onCodes];
    download(`${slug(name)}.cube`, writeCube(lattice, { title: name, comments }), 'text/plain');
  };
  return (
    <Panel title={words.desk} note={words.deskNote}>
      <DataTable
        className="figures"
        columns={columns}
        rows={rowsOf(mixer)}
        rowKey={(row) => row.name}
        label={words.desk}
      />
      <p className="desk-figures">
        {words.stepSaturation} <span className="num">{mixer.saturation.toFixed(2)}</span>
        {' · '}
        {words.deskLeaves(after.mean.toFixed(1), after.worst.toFixed(1), before.mean.toFixed(1))}
      </p>
      {atLimit && <p className="quiet">{words.atLimit}</p>}
      {logs.length > 0 && (
        <p className="quiet">{words.deskLog(logs.map((one) => one.camera.name).join(', '))}</p>
      )}
      <p className="quiet">{says}</p>
      <div className="exports">
        <Button size="sm" variant="outline-secondary" onClick={saveCdl}>
          {words.saveCdl}
        </Button>
        <Button size="sm" variant="outline-secondary" onClick={saveLut}>
          {words.saveLut}
        </Button>
      </div>
      {children}
    </Panel>
  );
};
