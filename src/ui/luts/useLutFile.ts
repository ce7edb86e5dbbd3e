'use client';

import { useState } from 'react';
import { LUT_FORMATS, type LutFormatId } from '#core/formats/lutFormats.ts';
import type { CubeScale } from '#core/lut/cubeScale.ts';
import type { InterpolationId } from '#core/lut/lut.ts';
import { outputOf } from '#core/lut/outputs.ts';
import { useBench, useSelection } from '../bench/hooks.ts';
import { download, slug } from '../download.ts';
import type { LutSource } from './lutSource.ts';
import { wordsFor } from './lutWords.ts';

/** How a LUT is to be baked and written. */
export type LutFileOptions = {
  readonly size: number;
  readonly shaped: boolean;
  readonly format: LutFormatId;
  readonly scale: CubeScale;
  readonly interpolation: InterpolationId;
};

/** A LUT as it was baked, for the kit. */
export type BakedFile = Pick<LutFileOptions, 'scale' | 'interpolation'> & { readonly text: string };

const FIRST: LutFileOptions = {
  size: 33,
  shaped: false,
  format: 'cube',
  scale: 'signal',
  interpolation: 'tetrahedral',
};

/** Options with a change; a shaper goes with CLF alone, since no other format holds one. */
export const withOptions = (options: LutFileOptions, change: Partial<LutFileOptions>): LutFileOptions => {
  const next = { ...options, ...change };
  if (change.shaped) return { ...next, format: 'clf' };
  return change.format && change.format !== 'clf' ? { ...next, shaped: false } : next;
};

/** A LUT's file: how it is to be written, writing it, and what came of that. */
export const useLutFile = (
  /** The LUT, or how it is made for the options it is written with. */
  given: LutSource | undefined | ((options: LutFileOptions) => LutSource),
  name: string,
  notes: readonly string[],
) => {
  const { luts } = useBench();
  const selection = useSelection();
  const [options, setOptions] = useState(FIRST);
  const [said, setSaid] = useState<{ readonly text: string; readonly bad: boolean }>();
  const { size, shaped, format, scale, interpolation } = options;
  const { coding } = selection.camera;
  const file = `${slug(name)}.${LUT_FORMATS[format].extension}`;
  /** The text in a format; undefined where it cannot be said in it, and then the reason is said. */
  const bakeText = async (as: LutFormatId) => {
    const source = typeof given === 'function' ? given(options) : given;
    if (!source) return undefined;
    const words = wordsFor(name, {
      selection,
      input: selection.profile.name,
      output: outputOf(source.output).name,
      scale,
      coding,
      notes: [...notes, `Interpolation meant: ${interpolation}`],
    });
    const { spec } = source;
    const baking = { spec, format: as, size, shaped: shaped && as === 'clf', scale, coding, interpolation };
    const outcome = await luts.write({ ...baking, words });
    if (outcome.state === 'failed') setSaid({ text: outcome.reason, bad: true });
    if (outcome.state !== 'done') return undefined;
    if (outcome.output.ok) return outcome.output.value;
    setSaid({ text: outcome.output.reason, bad: true });
    return undefined;
  };
  return {
    options,
    change: (part: Partial<LutFileOptions>) => setOptions((now) => withOptions(now, part)),
    file,
    said,
    write: async () => {
      const found = await bakeText(format);
      if (!found) return;
      download(file, found.text, LUT_FORMATS[format].type);
      const left = found.leaves === undefined ? '' : ` ${found.leaves}`;
      setSaid({ text: `${file}: built in ${found.milliseconds.toFixed(0)} ms.${left}`, bad: false });
    },
    keep: async (take: (baked: BakedFile) => void) => {
      const found = await bakeText(shaped ? 'clf' : 'cube');
      if (!found) return;
      take({ text: found.text, scale, interpolation });
      setSaid({ text: `Kept, ${size} points.`, bad: false });
    },
  };
};
