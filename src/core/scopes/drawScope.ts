import { compileProfile, type ProfileData } from '../profile/index.ts';
import { codeToSignal, maxCode, type Coding } from '../signal/scale.ts';
import { histogramPicture } from './histogramPicture.ts';
import type { RampId } from './ramp.ts';
import type { ScopeId, ScopeScale } from './scopeList.ts';
import type { Vectorscope } from './vectorscope.ts';
import { vectorscopePicture } from './vectorscopePicture.ts';
import { waveformLevels, type Waveform } from './waveform.ts';
import { paintWaveform, rampColours, type Colour } from './waveformPicture.ts';

/** Channels in colours that add up to near white and stay apart for colour-blind eyes. Our own. */
const CHANNEL_COLOURS = { r: [235, 92, 74], g: [92, 190, 120], b: [92, 140, 255] } as const;
type ChannelId = keyof typeof CHANNEL_COLOURS;
const CHANNELS = ['r', 'g', 'b'] as const satisfies readonly ChannelId[];

/** Where the counts come from. */
export type ScopeCounts = {
  readonly waveform: (plane: ChannelId | 'luma', columns: number) => Waveform;
  readonly histogram: (plane: ChannelId | 'luma') => Uint32Array;
  readonly vectorscope: () => Vectorscope;
};

export type ScopeDrawing = {
  readonly coding: Coding;
  readonly profile: ProfileData;
  readonly scale: ScopeScale;
  readonly axis: readonly [number, number];
  /** Size of the drawing; a vectorscope is square, `height` a side. */
  readonly columns: number;
  readonly height: number;
  readonly ramp: RampId;
  readonly brightness: number;
  readonly reach: number;
};

export type Drawn = { readonly width: number; readonly height: number; readonly rgba: Uint8ClampedArray };

/** Place of a level on the axis of a drawing, 0 to 1, and its stops over grey. */
const levelScales = ({ coding, profile: data, scale, axis }: ScopeDrawing) => {
  const profile = compileProfile(data);
  const { shift } = waveformLevels(coding.bitDepth);
  const top = maxCode(coding.bitDepth);
  const codeOf = (level: number) => Math.min(top, level * 2 ** shift);
  const signalOf = (level: number) => codeToSignal(codeOf(level), coding);
  const stopsOf = (level: number) => profile.stopsAt(signalOf(level));
  const on = {
    percent: (level: number) => 100 * signalOf(level),
    code: codeOf,
    stops: (level: number) => Math.max(-99, stopsOf(level)),
  } as const satisfies Record<ScopeScale, (level: number) => number>;
  const place = (level: number) => Math.max(-1, (on[scale](level) - axis[0]) / (axis[1] - axis[0]));
  // Tones without light stand on the lower edge: they are there.
  const placeOfLevel = scale === 'stops' ? (level: number) => Math.max(0, place(level)) : place;
  return { placeOfLevel, stopsOf };
};

const one = (colour: Colour) => () => colour;

const waves =
  (planes: readonly (ChannelId | 'luma')[], side: boolean) =>
  (counts: ScopeCounts, drawing: ScopeDrawing): Drawn => {
    const { placeOfLevel, stopsOf } = levelScales(drawing);
    const { height, ramp, brightness, columns } = drawing;
    const each = side ? Math.floor(columns / planes.length) : columns;
    const made = planes.map((plane) => counts.waveform(plane, each));
    const width = side ? made.reduce((sum, wave) => sum + wave.columns, 0) : made[0].columns;
    const rgba = new Uint8ClampedArray(width * height * 4);
    made.forEach((wave, i) => {
      const plane = planes[i];
      const colourOf = plane === 'luma' ? rampColours(ramp, stopsOf) : one(CHANNEL_COLOURS[plane]);
      const options = { height, colourOf, placeOfLevel, brightness };
      paintWaveform(rgba, width, side ? i * wave.columns : 0, wave, options, !side && planes.length > 1);
    });
    return { width, height, rgba };
  };

const histograms =
  (planes: readonly (ChannelId | 'luma')[]) =>
  (counts: ScopeCounts, drawing: ScopeDrawing): Drawn => {
    const { placeOfLevel, stopsOf } = levelScales(drawing);
    const { columns: width, height, ramp, brightness } = drawing;
    const traces = planes.map((plane) => ({
      counts: counts.histogram(plane),
      colourOf: plane === 'luma' ? rampColours(ramp, stopsOf) : one(CHANNEL_COLOURS[plane]),
    }));
    return { width, height, rgba: histogramPicture(traces, { width, height, placeOfLevel, brightness }) };
  };

/** One painter a scope. */
export const SCOPE_PAINTERS: {
  readonly [K in ScopeId]: (counts: ScopeCounts, drawing: ScopeDrawing) => Drawn;
} = {
  waveform: waves(['luma'], false),
  overlay: waves(CHANNELS, false),
  parade: waves(CHANNELS, true),
  vectorscope: (counts, { coding, height: size, reach, brightness }) => ({
    width: size,
    height: size,
    rgba: vectorscopePicture(counts.vectorscope(), { coding, size, reach, brightness }),
  }),
  histogram: histograms(['luma']),
  rgbHistogram: histograms(CHANNELS),
};
