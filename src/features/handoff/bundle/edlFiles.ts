import { group } from 'd3-array';
import { MOST_EVENTS, writeEdl, type EdlEvent } from '#core/formats/edl.ts';
import { safeName } from '#core/formats/safeName.ts';
import { words } from '#ui/wording/bundle.ts';
import { startOf, timecodeRate, type BundledClip } from './clipFacts.ts';
import type { BundlePart } from './parts.ts';

const eventOf = ({ clip, name, correction }: BundledClip): EdlEvent => {
  const { start, isKnown } = startOf(clip);
  return {
    clipName: clip.file.name,
    reel: clip.facts?.reel ?? name,
    start,
    frames: Math.max(1, clip.facts?.frames ?? 1),
    ...(correction ? { cdl: correction.cdl } : {}),
    says: [
      ...(isKnown ? [] : [words.noTimecode]),
      ...(clip.facts?.variable ? [words.variableRate] : []),
      ...(correction?.named.descriptions ?? []),
    ],
  };
};

/** Lists of the clips: one for each camera and rate, in parts of 999. */
export const edlFiles = (clips: readonly BundledClip[], title: string): BundlePart => {
  const lists = [...group(clips, ({ camera, clip }) => `${camera}, ${timecodeRate(clip)} fps`)];
  const files = lists.flatMap(([name, own]) =>
    Array.from({ length: Math.ceil(own.length / MOST_EVENTS) }, (_, part) => {
      const some = own.slice(part * MOST_EVENTS, (part + 1) * MOST_EVENTS);
      const path = `edl/${safeName(part === 0 ? name : `${name}, part ${part + 1}`)}.edl`;
      const perSecond = timecodeRate(some[0].clip);
      return {
        path,
        says: words.edlSays(some.length, name),
        text: writeEdl({ title: `${title}, ${name}`, perSecond, events: some.map(eventOf) }),
      };
    }),
  );
  const without = clips.filter(({ clip }) => !startOf(clip).isKnown);
  const uneven = clips.filter(({ clip }) => clip.facts?.variable);
  return {
    files,
    leftOut: [
      ...(without.length > 0
        ? [words.withoutTimecode(without.map(({ clip }) => clip.file.name).join(', '))]
        : []),
      ...(uneven.length > 0
        ? [words.withVariableRate(uneven.map(({ clip }) => clip.file.name).join(', '))]
        : []),
    ],
  };
};
