'use client';

import { useMemo } from 'react';
import { parseAsStringLiteral, useQueryState } from 'nuqs';
import Button from 'react-bootstrap/Button';
import Table from 'react-bootstrap/Table';
import { gamutOf, rgbToXyz } from '#core/colour/gamut.ts';
import type { ProfileData } from '#core/profile/index.ts';
import { SCALES } from '#core/signal/scale.ts';
import { printStops } from '#core/units.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { download, slug } from '#ui/download.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { readingRows } from './curveModel.ts';
import { PICTURES, sheetOf, warningWords, zebraNotes } from './zebraModel.ts';
import { TrapLine } from './TrapLine.tsx';
import { ZebraFigures } from './ZebraFigures.tsx';
import { later } from '#ui/later.tsx';
import { words } from '#ui/wording/kit.ts';

const Evidence = later(() => import('./evidence/EvidenceView.tsx').then((part) => part.EvidenceView));

type Shown = { readonly data: ProfileData };

const Zebras = ({ data }: Shown) => {
  const selection = useSelection();
  const { camera, subjects, plan } = selection;
  const sheet = useMemo(() => sheetOf(selection, data), [selection, data]);
  const { reads } = camera.zebra;
  return (
    <>
      <TableScroll label={words.figuresOfTheProfile}>
        <ZebraFigures
          tables={[{ name: PICTURES[reads], rows: sheet[reads] }]}
          subjects={subjects}
          taken={plan.placement}
          meter={camera.meter}
        />
      </TableScroll>
      <div className="figures-foot">
        <TrapLine data={data} />
        <p className="quiet">
          {zebraNotes(camera).join(' ')} {warningWords(plan.warningMargin)}
        </p>
      </div>
    </>
  );
};

type Reading = ReturnType<typeof readingRows>[number];

/** What a stop reads on each scale; the doubt where the curve was inferred. */
const readingColumns = (rows: readonly Reading[]): readonly Column<Reading>[] => [
  { id: 'stop', header: words.stop, cell: ({ stops }) => printStops(stops) },
  { id: 'percent', header: SCALES.signalPercent.name, cell: ({ percent }) => percent },
  { id: 'fullCode', header: SCALES.fullCodePercent.name, cell: ({ fullCode }) => fullCode },
  { id: 'code', header: words.code, cell: ({ code }) => code },
  { id: 'codes', header: words.codesAStop, cell: ({ codes }) => codes },
  ...(rows.some(({ doubt }) => doubt !== undefined)
    ? [{ id: 'doubt', header: words.uncertain, cell: ({ doubt }: Reading) => doubt?.toFixed(2) }]
    : []),
];

const Readings = ({ data }: Shown) => {
  const selection = useSelection();
  const { numbers } = useCard();
  const { coding } = selection.camera;
  const rows = useMemo(() => readingRows(data, coding), [data, coding]);
  const columns = useMemo(() => readingColumns(rows), [rows]);
  return (
    <TableScroll label={words.figuresOfTheProfile}>
      <DataTable
        label={words.readingsByThirds}
        columns={columns}
        rows={rows}
        rowKey={({ stops }) => String(stops)}
        rowProps={({ stops }) => ({
          className: stops === 0 ? 'taken' : stops < numbers.floorStops - 1e-6 ? 'dim' : undefined,
        })}
      />
    </TableScroll>
  );
};

const Matrix = ({ data }: Shown) => {
  const gamut = gamutOf(data.gamut);
  const matrix = rgbToXyz(gamut);
  const save = async () => {
    const { writeClfMatrix } = await import('#core/formats/clf.ts');
    download(
      `${slug(gamut.name)}-to-xyz.clf`,
      writeClfMatrix(matrix, {
        id: `${slug(gamut.name)}-to-xyz`,
        name: `${gamut.name} to XYZ`,
        input: `linear R G B, ${gamut.name} primaries, white Y = 1`,
        output: 'CIE 1931 XYZ relative to the same white, no adaptation',
      }),
      'application/xml',
    );
  };
  return (
    <>
      <Table className="figures matrix">
        <thead>
          <tr>
            <td />
            <th scope="col">R</th>
            <th scope="col">G</th>
            <th scope="col">B</th>
          </tr>
        </thead>
        <tbody>
          {['X', 'Y', 'Z'].map((row, i) => (
            <tr key={row}>
              <th scope="row">{row}</th>
              {matrix.slice(3 * i, 3 * i + 3).map((v, n) => (
                <td key={n}>{v.toFixed(7).replace('-', '−')}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
      <div className="figures-foot">
        <p className="quiet">
          Linear {gamut.name} to CIE XYZ, white Y = 1 (SMPTE RP 177). White x {gamut.white[0]}, y{' '}
          {gamut.white[1]}.
        </p>
        <Button variant="outline-secondary" size="sm" onClick={() => void save()}>
          {words.exportAsClf}
        </Button>
      </div>
    </>
  );
};

const FIGURES = {
  zebra: { name: words.zebraTable, View: Zebras },
  readings: { name: words.readings, View: Readings },
  matrix: { name: words.gamutMatrix, View: Matrix },
  evidence: { name: words.evidence, View: Evidence },
} as const;
type FigureId = keyof typeof FIGURES;
const FIGURE_IDS = Object.keys(FIGURES) as FigureId[];

/** Numbers of the profile under its curve: zebra levels, readings, the gamut's matrix. */
export const ProfileFigures = ({ data }: Shown) => {
  const selection = useSelection();
  const [figure, setFigure] = useQueryState('figures', parseAsStringLiteral(FIGURE_IDS).withDefault('zebra'));
  const { camera, plan } = selection;
  const { View } = FIGURES[figure];
  return (
    <Panel
      className="profile-figures"
      title={
        <Segmented
          label={words.figures}
          options={FIGURE_IDS.map((id) => ({ id, name: FIGURES[id].name }))}
          value={figure}
          onPick={(id) => void setFigure(id)}
        />
      }
      note={words.bitIso(camera.name, camera.coding.bitDepth, camera.coding.range, plan.iso)}
    >
      <View data={data} />
    </Panel>
  );
};
