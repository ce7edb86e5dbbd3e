import type { Frame } from '../frame/frame.ts';
import type { CompiledMonitoring } from '../lut/monitoring.ts';
import { sampleLattice } from '../lut/lattice.ts';
import { codeToSignal, maxCode, type Coding } from '../signal/scale.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { drawFalseColour, falseColourTable } from './falseColour.ts';
import type { RampId } from './ramp.ts';

/** What the picture pane shows under its overlays. */
export type ViewId = 'recorded' | 'monitor' | 'stops';

export const VIEWS = {
  recorded: { name: 'As recorded', says: 'The codes as they are, grey and flat.' },
  monitor: { name: 'Monitor', says: 'Log to BT.1886 with the pull of the card, shown for this sRGB screen.' },
  stops: { name: 'Stops', says: 'False colour: each tone in the colour of its stop, as on the ladder.' },
} as const satisfies Record<ViewId, { name: string; says: string }>;

const OPAQUE = 255 << 24;
const SCREEN_STEPS = 1023;

/** BT.1886 display signal (0..1023) to the byte that gives the same light on an sRGB screen. */
const screenTable = (): Uint8Array =>
  Uint8Array.from({ length: SCREEN_STEPS + 1 }, (_, i) =>
    Math.round(255 * TRANSFERS.srgb.encode(TRANSFERS.bt1886.decode(i / SCREEN_STEPS))),
  );

const byteOfSignal = (signal: number) => Math.round(255 * Math.min(1, Math.max(0, signal)));

const drawByTable = (pixels: Uint32Array, { r, g, b }: Frame, table: Uint8Array): void => {
  const n = pixels.length;
  for (let i = 0; i < n; i += 1) pixels[i] = OPAQUE | (table[b[i]] << 16) | (table[g[i]] << 8) | table[r[i]];
};

/** Codes straight to bytes: signal 0..100 % over 0..255. */
export const drawRecorded = (pixels: Uint32Array, frame: Frame): void => {
  const table = Uint8Array.from({ length: maxCode(frame.bitDepth) + 1 }, (_, code) =>
    byteOfSignal(codeToSignal(code, frame)),
  );
  drawByTable(pixels, frame, table);
};

const LATTICE_SIZE = 33;

// Tetrahedral interpolation with the fractions ordered by branches; lattice entries are screen steps.
const drawByLattice = (
  pixels: Uint32Array,
  frame: Frame,
  lattice: Float32Array,
  screen: Uint8Array,
): void => {
  const { r, g, b } = frame;
  const last = LATTICE_SIZE - 1;
  const codes = maxCode(frame.bitDepth) + 1;
  const cell = new Uint8Array(codes);
  const part = new Float32Array(codes);
  for (let code = 0; code < codes; code += 1) {
    const p = (code / (codes - 1)) * last;
    cell[code] = Math.min(last - 1, Math.floor(p));
    part[code] = p - cell[code];
  }
  const dr = 3;
  const dg = 3 * LATTICE_SIZE;
  const db = dg * LATTICE_SIZE;
  const n = pixels.length;
  for (let i = 0; i < n; i += 1) {
    const cr = r[i];
    const cg = g[i];
    const cb = b[i];
    const x = part[cr];
    const y = part[cg];
    const z = part[cb];
    const o = cell[cr] * dr + cell[cg] * dg + cell[cb] * db;
    const e = o + dr + dg + db;
    let a: number;
    let c: number;
    let hi: number;
    let mid: number;
    let lo: number;
    if (x >= y) {
      if (y >= z) {
        a = o + dr;
        c = a + dg;
        hi = x;
        mid = y;
        lo = z;
      } else if (x >= z) {
        a = o + dr;
        c = a + db;
        hi = x;
        mid = z;
        lo = y;
      } else {
        a = o + db;
        c = a + dr;
        hi = z;
        mid = x;
        lo = y;
      }
    } else if (x >= z) {
      a = o + dg;
      c = a + dr;
      hi = y;
      mid = x;
      lo = z;
    } else if (y >= z) {
      a = o + dg;
      c = a + db;
      hi = y;
      mid = z;
      lo = x;
    } else {
      a = o + db;
      c = a + dg;
      hi = z;
      mid = y;
      lo = x;
    }
    const w0 = 1 - hi;
    const w1 = hi - mid;
    const w2 = mid - lo;
    const red = w0 * lattice[o] + w1 * lattice[a] + w2 * lattice[c] + lo * lattice[e] + 0.5;
    const green = w0 * lattice[o + 1] + w1 * lattice[a + 1] + w2 * lattice[c + 1] + lo * lattice[e + 1] + 0.5;
    const blue = w0 * lattice[o + 2] + w1 * lattice[a + 2] + w2 * lattice[c + 2] + lo * lattice[e + 2] + 0.5;
    pixels[i] = OPAQUE | (screen[blue | 0] << 16) | (screen[green | 0] << 8) | screen[red | 0];
  }
};

/** The monitoring picture: by a table per channel where channels do not mix, else by a 33-point lattice, tetrahedral. */
export const drawMonitor = (pixels: Uint32Array, frame: Frame, monitoring: CompiledMonitoring): void => {
  const coding: Coding = frame;
  const top = maxCode(coding.bitDepth);
  const screen = screenTable();
  const { channel } = monitoring;
  if (channel) {
    const table = Uint8Array.from(
      { length: top + 1 },
      (_, code) => screen[Math.round(SCREEN_STEPS * channel(codeToSignal(code, coding)))],
    );
    drawByTable(pixels, frame, table);
    return;
  }
  drawByLattice(pixels, frame, screenLattice(monitoring, coding), screen);
};

const lattices = new WeakMap<CompiledMonitoring, Map<string, Float32Array>>();
/** The transform on a lattice of codes, in steps of the screen; kept with the transform, since it costs several frames. */
const screenLattice = (monitoring: CompiledMonitoring, { bitDepth, range }: Coding): Float32Array => {
  const key = `${bitDepth} ${range}`;
  const known = lattices.get(monitoring) ?? new Map<string, Float32Array>();
  lattices.set(monitoring, known);
  const top = maxCode(bitDepth);
  const toSignal = (v: number) => codeToSignal(v * top, { bitDepth, range });
  const made =
    known.get(key) ??
    sampleLattice(LATTICE_SIZE, ([r, g, b]) =>
      monitoring.rgb([toSignal(r), toSignal(g), toSignal(b)]),
    ).data.map((v) => v * SCREEN_STEPS);
  known.set(key, made);
  return made;
};

export type PictureInput = {
  readonly frame: Frame;
  readonly luma: Uint16Array;
  readonly monitoring: CompiledMonitoring;
  readonly stopsOfCode: Float32Array;
  readonly ramp: RampId;
};

/** One painter a view; each fills RGBA pixels of the frame's size. */
export const VIEW_PAINTERS: { readonly [K in ViewId]: (pixels: Uint32Array, input: PictureInput) => void } = {
  recorded: (pixels, { frame }) => drawRecorded(pixels, frame),
  monitor: (pixels, { frame, monitoring }) => drawMonitor(pixels, frame, monitoring),
  stops: (pixels, { luma, stopsOfCode, ramp }) =>
    drawFalseColour(pixels, luma, falseColourTable(stopsOfCode, ramp)),
};
