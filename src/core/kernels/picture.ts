import type { Frame } from '../frame/frame.ts';
import type { Kernels } from './types.ts';
import type { CompiledMonitoring } from '../lut/monitoring.ts';
import { screenCube, type ScreenCube } from '../lut/screenCube.ts';
import { codeToSignal, maxCode, type Coding } from '../signal/scale.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { falseColourTable } from '../scopes/falseColour.ts';
import { recordedTable } from '../scopes/recorded.ts';
import type { RampId } from '../scopes/ramp.ts';

/** What the picture pane shows under its overlays. */
export type ViewId = 'recorded' | 'monitor' | 'stops';

export const VIEWS = {
  recorded: { name: 'Codes', says: 'The codes as they are, grey and flat.' },
  monitor: {
    name: 'Monitor',
    says: 'The LUT on the monitor, or log to BT.1886 with the pull of the card; shown for this sRGB screen.',
  },
  stops: { name: 'Stops', says: 'False colour: each tone in the colour of its stop, as on the ladder.' },
} as const satisfies Record<ViewId, { name: string; says: string }>;

/** BT.1886 display signal to the value that gives the same light on an sRGB screen, both 0..1. */
const toScreen = (signal: number): number => TRANSFERS.srgb.encode(TRANSFERS.bt1886.decode(signal));

/** A coding as a word: what a transform made for it is kept by. */
const codingKey = ({ bitDepth, range, feed }: Coding) =>
  `${bitDepth} ${range} ${feed ? `${feed.black} ${feed.white}` : ''}`;

/** What a transform needs for each coding, made once and kept with it, since it costs several frames. */
const keptFor = <T>(make: (monitoring: CompiledMonitoring, coding: Coding) => T) => {
  const kept = new WeakMap<CompiledMonitoring, Map<string, T>>();
  return (monitoring: CompiledMonitoring, coding: Coding): T => {
    const known = kept.get(monitoring) ?? new Map<string, T>();
    kept.set(monitoring, known);
    const key = codingKey(coding);
    const made = known.get(key) ?? make(monitoring, coding);
    known.set(key, made);
    return made;
  };
};

/** The transform on a lattice of codes. */
export const cubeFor = keptFor(({ rgb }, coding): ScreenCube => {
  const top = maxCode(coding.bitDepth);
  const signal = (v: number) => codeToSignal(v * top, coding);
  return screenCube(([r, g, b]) => {
    const [x, y, z] = rgb([signal(r), signal(g), signal(b)]);
    return [toScreen(x), toScreen(y), toScreen(z)];
  });
});

const tableFor = keptFor(({ neutral }, coding) =>
  Uint8Array.from({ length: maxCode(coding.bitDepth) + 1 }, (_, code) =>
    Math.round(255 * toScreen(neutral(codeToSignal(code, coding)))),
  ),
);

type PictureInput = {
  readonly frame: Frame;
  readonly luma: Uint16Array;
  readonly monitoring: CompiledMonitoring;
  readonly stopsOfCode: Float32Array;
  readonly ramp: RampId;
};

/**
 * The monitoring picture: by a table per channel where channels do not mix, else by a 33-point lattice,
 * tetrahedral.
 */
export const drawMonitor = (
  kernels: Kernels,
  pixels: Uint32Array,
  frame: Frame,
  monitoring: CompiledMonitoring,
): void => {
  if (monitoring.channel) kernels.recorded(frame, tableFor(monitoring, frame), pixels);
  else kernels.cube(frame, frame.bitDepth, cubeFor(monitoring, frame), pixels);
};

type Painter = (kernels: Kernels, pixels: Uint32Array, input: PictureInput) => void;

/** One painter a view; each fills RGBA pixels of the frame's size. */
export const VIEW_PAINTERS: { readonly [K in ViewId]: Painter } = {
  recorded: (kernels, pixels, { frame }) => kernels.recorded(frame, recordedTable(frame), pixels),
  monitor: (kernels, pixels, { frame, monitoring }) => drawMonitor(kernels, pixels, frame, monitoring),
  stops: (kernels, pixels, { luma, stopsOfCode, ramp }) =>
    kernels.falseColour(luma, falseColourTable(stopsOfCode, ramp), pixels),
};
