'use client';

import { useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import { exactFNumber, printFNumber } from '#core/exposure/aperture.ts';
import { solveExposure } from '#core/exposure/solver.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { softFrom } from '#core/lens/depth.ts';
import { DEPTH_WISHES, type IrisDepth, type IrisRange } from '#core/lens/depthWishes.ts';
import { printStops, printStopsOf } from '#core/units.ts';
import { fitting } from '#store/records/bag.ts';
import { imagerOf, lensUseOf } from '#store/records/lens.ts';
import { useCard, useEditPlan, useRecords, useSelection } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/planLens.ts';
import { depthOf } from '../lensModel.ts';
import { behindGlass, knobsOf } from '../planModel.ts';
import { useSurvey } from '../useSurvey.ts';
import { DepthDrawing } from './DepthDrawing.tsx';
import { printDistance, printExactF, printShare } from './printLens.ts';

/** Marks that the table shows beside those that fit: whole stops. */
const WHOLE = [1, 1.4, 2, 2.8, 4, 5.6, 8, 11, 16, 22];

const wanted = ({ from, to }: IrisRange): string => {
  if (from !== undefined && to !== undefined && from > to) return words.contradicts;
  if (from !== undefined) return words.from(printExactF(from));
  return to === undefined ? '' : words.to(printExactF(to));
};

type Found = NonNullable<ReturnType<typeof depthOf>>;

/** What to set, in a sentence or two; and whether the card does. */
const answerOf = (
  { use, answer }: Found,
  iris: number,
): { readonly text: string; readonly isOff: boolean } => {
  const { range, irises } = answer;
  const { wish } = use;
  if (range === undefined)
    return { text: wish === 'zone' ? words.missing.zone : words.missing.soft, isOff: true };
  if (wish === 'none') return { text: words.takesAny, isOff: false };
  if (irises.length === 0) return { text: words.none(wanted(range)), isOff: true };
  const { name } = DEPTH_WISHES[wish];
  const [first, last] = [irises[0], irises[irises.length - 1]].map(printFNumber);
  const fits = irises.length === 1 ? words.fitsOne(first, name) : words.fits(first, last, name);
  const mark = printFNumber(iris);
  if (irises.includes(iris)) return { text: `${fits} ${words.planFits(mark)}`, isOff: false };
  const isOpen = range.from !== undefined && exactFNumber(iris) < range.from;
  return { text: `${fits} ${isOpen ? words.planTooOpen(mark) : words.planTooClosed(mark)}`, isOff: true };
};

/** Settings that keep the card in its place with each iris; undefined where no card was read. */
const useTakes = (irises: readonly number[]): ReadonlyMap<number, string> => {
  const selection = useSelection();
  const records = useRecords();
  const { numbers } = useCard();
  const survey = useSurvey();
  return useMemo(() => {
    const grey = survey.ok ? survey.value.grey : undefined;
    if (grey === undefined) return new Map();
    const { plan, camera, setup } = selection;
    const sets = fitting([...records.ndSets.values()], camera);
    const knobs = knobsOf(selection, numbers, sets);
    return new Map(
      irises.map((iris) => {
        const one = solveExposure(
          behindGlass(plan, grey),
          plan.placement,
          { ...knobs, irises: [iris] },
          { iris, baseIsos: camera.baseIsos },
          setup.fps,
        );
        const nd = one.nd.names.map((name) => name.replace(/\s+/g, ' ')).join(' + ');
        const parts = [nd === '' ? words.noNd : nd];
        if (printShutter(one.shutter) !== printShutter(plan.shutter)) parts.push(printShutter(one.shutter));
        if (one.iso !== plan.iso) parts.push(`ISO ${one.iso}`);
        if (one.light !== 0) parts.push(`light ${printStops(one.light)}`);
        if (one.short !== undefined) {
          const off = printStopsOf(one.residual);
          parts.push(one.residual < 0 ? words.shortOfLight(off) : words.tooBright(off));
        }
        return [iris, parts.join(', ')] as const;
      }),
    );
  }, [selection, records.ndSets, numbers, survey, irises]);
};

const Irises = ({ found }: { found: Found }) => {
  const { plan } = useSelection();
  const editPlan = useEditPlan();
  const [first, last] = [found.answer.irises[0], found.answer.irises.at(-1)];
  const rows = useMemo(
    () =>
      found.answer.rows.filter(
        ({ iris }) =>
          WHOLE.includes(iris) ||
          iris === plan.iris ||
          (found.use.wish !== 'none' && [first, last].includes(iris)),
      ),
    [found, plan.iris, first, last],
  );
  const irises = useMemo(() => rows.map(({ iris }) => iris), [rows]);
  const takes = useTakes(irises);
  const columns: readonly Column<IrisDepth>[] = [
    {
      id: 'iris',
      header: words.iris,
      cell: ({ iris }) => (
        <Button
          variant="bare"
          className="row-pick"
          aria-pressed={iris === plan.iris}
          onClick={() => editPlan(words.setIris(printFNumber(iris)), { iris })}
        >
          {printFNumber(iris)}
        </Button>
      ),
    },
    {
      id: 'sharp',
      header: words.sharp,
      className: 'num',
      cell: ({ near, far }) => `${printDistance(near)} – ${printDistance(far)}`,
    },
    { id: 'zone', header: words.zone, className: 'num', cell: ({ near, far }) => printDistance(far - near) },
    {
      id: 'blur',
      header: words.blur,
      says: words.blurSays,
      className: 'num',
      cell: ({ blur }) => (blur === undefined ? '–' : printShare(blur)),
    },
    {
      id: 'airy',
      header: words.airy,
      says: words.airySays,
      className: ({ isSoft }) => (isSoft ? 'num text-warn' : 'num'),
      cell: ({ airy }) => airy.toFixed(1),
    },
    {
      id: 'takes',
      header: words.takes,
      says: words.takesSays,
      className: 'words-cell',
      cell: ({ iris }) => takes.get(iris) ?? words.noCard,
    },
  ];
  return (
    <TableScroll label={words.depth}>
      <DataTable
        label={words.depth}
        columns={columns}
        rows={rows}
        rowKey={({ iris }) => String(iris)}
        rowProps={({ iris, isWithin }) => ({
          className:
            iris === plan.iris ? 'taken' : found.use.wish !== 'none' && !isWithin ? 'outside' : undefined,
        })}
      />
    </TableScroll>
  );
};

/** Which irises give the depth that is wanted, what each makes of it, and what it takes. */
export const DepthPanel = () => {
  const { camera, plan } = useSelection();
  const found = useMemo(() => depthOf(camera, plan), [camera, plan]);
  const imager = imagerOf(camera);
  if (!found || !imager)
    return (
      <Panel title={words.depth} note={words.depthNote}>
        <p className="mb-0">{words.noSensor(camera.name)}</p>
      </Panel>
    );
  const answer = answerOf(found, plan.iris);
  const now = found.answer.rows.find(({ iris }) => iris === plan.iris) ?? found.answer.rows[0];
  return (
    <Panel title={words.depth} note={words.depthNote} className="depth">
      <p className={answer.isOff ? 'text-warn' : undefined}>
        <strong>{answer.text}</strong>{' '}
        {found.use.wish !== 'none' && found.answer.irises.length > 0 && (
          <span className="quiet">{words.solves}</span>
        )}
      </p>
      {lensUseOf(plan) === undefined && (
        <p className="quiet">{words.exampleLens(found.use.focal, found.use.distance)}</p>
      )}
      <DepthDrawing use={found.use} depth={now} />
      <Irises found={found} />
      <p className="quiet mb-0">{words.softDiffraction(printExactF(softFrom(imager)))}</p>
    </Panel>
  );
};
