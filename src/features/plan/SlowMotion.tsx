'use client';

import { bitsPerPixel, codingError, megabitsPerFrame } from '#core/day/media.ts';
import { slowMotionCost } from '#core/exposure/lampFlicker.ts';
import { matchRate } from '#core/inCamera/matchRate.ts';
import { printStops } from '#core/units.ts';
import { inCameraOf, noteOf } from '#store/records/inCamera.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words as settings } from '#ui/wording/kitSettings.ts';
import { words } from '#ui/wording/planSlow.ts';
import { PIXELS, recordingAt } from './adviceModel.ts';

type Rate = { readonly rate: number; readonly codec: string; readonly mbps: number };

const pixelBits = ({ rate, mbps }: Omit<Rate, 'codec'>) =>
  bitsPerPixel(mbps, rate, PIXELS.width, PIXELS.height);

/** Bits of a frame against those at the rate of the set-up, %. */
const shareOf = ({ rate, mbps }: Rate, own: { readonly fps: number; readonly mbps: number }) =>
  ((100 * megabitsPerFrame(mbps, rate)) / megabitsPerFrame(own.mbps, own.fps)).toFixed(0);

type Against = { readonly fps: number; readonly mbps?: number; readonly chroma: keyof typeof SAMPLES };
/** Samples a pixel by how colour is kept. */
const SAMPLES = { '4:2:0': 1.5, '4:2:2': 2, '4:4:4': 3 } as const;

const rateColumns = ({ fps, mbps: own, chroma }: Against): readonly Column<Rate>[] => [
  {
    id: 'rate',
    header: words.fps,
    cell: ({ rate, codec, mbps }) => (
      <>
        {rate} <span className="quiet rate-codec">{words.codec(codec, mbps)}</span>
      </>
    ),
  },
  {
    id: 'pixel',
    header: words.bitsAPixel,
    says: words.againstSays(fps),
    className: 'num',
    cell: (row) =>
      words.pixelBits(
        pixelBits(row).toFixed(2),
        own === undefined ? undefined : shareOf(row, { fps, mbps: own }),
      ),
    sortBy: pixelBits,
  },
  {
    id: 'coding',
    header: words.coding,
    says: words.codingSays,
    className: 'num',
    cell: (row) =>
      own === undefined
        ? '–'
        : `×${codingError(pixelBits(row), pixelBits({ rate: fps, mbps: own }), SAMPLES[chroma]).toFixed(1)}`,
  },
  {
    id: 'light',
    header: words.light,
    says: words.lightSays,
    className: 'num',
    cell: ({ rate }) => printStops(-slowMotionCost(rate, fps).stops),
  },
  {
    id: 'noise',
    header: words.noise,
    says: words.noiseSays,
    className: 'num',
    cell: ({ rate }) => `×${slowMotionCost(rate, fps).noise.toFixed(1)}`,
  },
];

/** Frame rates people slow down from. */
const SLOW = [24, 25, 30, 50, 60, 100, 120] as const;

/** What brings both rates together: as measured on this body, else that it can be measured. */
const Matching = () => {
  const { camera, profile } = useSelection();
  const measured = noteOf(inCameraOf(camera), profile.id, 'rate')?.measured;
  return (
    <>
      <p className="mt-2 mb-1">{words.match}</p>
      {measured ? (
        <>
          <ul aria-label={words.matched} className="mb-1">
            {matchRate(measured.frames).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          {measured.isStaged && <p className="text-warn mb-1">{settings.staged}</p>}
        </>
      ) : (
        <p className="mb-1">{words.measure}</p>
      )}
    </>
  );
};

/** What each frame rate leaves a frame: slow motion is compared by the pixel, not by Mb/s. */
export const SlowMotion = () => {
  const { camera, setup } = useSelection();
  const { fps } = setup;
  const rows = SLOW.flatMap((rate) => {
    const recording = recordingAt(camera, rate);
    return recording ? [{ rate, codec: recording.codec, mbps: recording.mbps }] : [];
  });
  if (rows.length === 0) return null;
  const fastest = rows.at(-1)?.rate ?? fps;
  return (
    <Panel title={words.bitsAPixel} note={words.slowMotionByThe(camera.name)}>
      <TableScroll label={words.bitsAPixel}>
        <DataTable
          label={words.bitsAPixel}
          className="figures words tight"
          columns={rateColumns({ fps, mbps: recordingAt(camera, fps)?.mbps, chroma: camera.chroma })}
          rows={rows}
          rowKey={({ rate }) => String(rate)}
          rowProps={({ rate }) => ({ className: rate === fps ? 'taken' : undefined })}
        />
      </TableScroll>
      <Matching />
      {fastest > fps && <p className="mb-1">{words.ramp(fastest, Number((fastest / fps).toFixed(1)))}</p>}
      <p className="quiet small-print">{words.size(PIXELS.width, PIXELS.height)}</p>
    </Panel>
  );
};
