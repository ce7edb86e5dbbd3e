import { printStopsDecimal, stopsToReflectance } from '../../units.ts';
import { median } from '../../maths/quantile.ts';
import { readable, readingAfter, rowsOf, solved, type Reading } from './reading.ts';
import type { Proposer, StartInput, StartPatch } from './types.ts';

const signed = (stops: number) => printStopsDecimal(stops, 2);
const lies = ({ stops }: Reading, { signals }: StartPatch) => median(signals.map(stops));

/** Faces and how far their key side lies over or under what is their own. */
const facesOff = (input: StartInput, reading: Reading) =>
  readable(input, 'skin').flatMap((face) => {
    if (face.own === undefined) return [];
    const at = lies(reading, face);
    return [{ name: face.name, own: face.own, at, off: at - face.own }];
  });

const round = (v: number) => Math.round(v * 24) / 24 || 0;

/** The middle goes where it belongs: by the card, by the face, else by the plan. */
export const startExposure: Proposer = (input, before) => {
  const reading = readingAfter(input, rowsOf(before));
  const card = readable(input, 'card')[0];
  const faces = facesOff(input, reading);
  const byFace = faces.length > 0 && (input.schools.anchor === 'skin' || !card);
  const isLaid = before.some(({ kind }) => kind === 'points');
  if (byFace) {
    const off = faces.reduce((sum, face) => sum + face.off, 0) / faces.length;
    return {
      on: true,
      values: { stops: round(-off) },
      ground: 'measured',
      why: `Key side of the face goes to its own level, ${signed(faces[0].own)} over grey`,
      arithmetic: faces.map(({ name, at, own, off: one }) => ({
        label: name,
        value: `${signed(at)} − own ${signed(own)} = ${signed(one)}`,
      })),
    };
  }
  if (card) {
    // After the points the middle is where the picture shows it, not where the recording has it.
    const at = isLaid ? shownStops(input, reading, card) : lies(reading, card);
    return {
      on: true,
      values: { stops: round(-at) },
      ground: 'measured',
      why: 'The card goes back to grey',
      arithmetic: [
        { label: 'card found at', value: `${signed(at)} stops over grey` },
        { label: 'light', value: `${signed(-at)} stops` },
      ],
    };
  }
  return {
    on: true,
    values: { stops: round(-input.placement) },
    ground: 'planned',
    why: 'The placement is undone as it was planned: no card and no face is marked',
    arithmetic: [{ label: 'planned placement', value: signed(input.placement) }],
  };
};

/** Stops over grey that a neutral would have which the conversion alone shows as bright as the card is shown. */
const shownStops = (input: StartInput, reading: Reading, card: StartPatch): number => {
  const plain = readingAfter(input, []);
  const level = median(card.signals.map(reading.shown));
  const neutralAt = (stops: number) => {
    const light = stopsToReflectance(stops);
    return plain.levelOf([light, light, light]);
  };
  return solved(neutralAt, level, [-8, 8], 1e-3);
};
