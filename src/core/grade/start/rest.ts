import { gamutOf } from '../../colour/gamut.ts';
import { outputOf } from '../../lut/outputs.ts';
import { printStopsDecimal } from '../../units.ts';
import type { Proposer } from './types.ts';

/** The camera's own match first: exposure and balance are read after it. */
export const startMatch: Proposer = ({ base }) =>
  base.match && {
    on: true,
    values: { amount: 1 },
    ground: 'measured',
    why: 'As it was solved for this light',
    arithmetic: base.match.operations.map(({ kind }) => ({ label: 'does', value: kind })),
  };

/** Push from which noise is worth a note. */
const PUSHED = 1 / 3;

export const startDenoise: Proposer = ({ base }, before) => {
  const stops = before.find(({ kind }) => kind === 'exposure')?.values.stops ?? 0;
  const isPushed = stops > PUSHED;
  return {
    on: isPushed,
    values: {},
    ground: 'measured',
    why: isPushed
      ? `The light is raised by ${printStopsDecimal(stops)}: noise with it`
      : `Not needed for the exposure: usable to ${printStopsDecimal(base.floorStops + stops)} after it`,
    arithmetic: [
      { label: 'usable floor', value: `${printStopsDecimal(base.floorStops)} stops` },
      { label: 'after the exposure', value: printStopsDecimal(base.floorStops + stops) },
    ],
  };
};

const PRACTICE = 1.5;

export const startSaturation: Proposer = ({ base, schools }) => {
  const { profile, output } = base.recipe;
  const { primaries } = outputOf(output);
  const isSame = profile.gamut === primaries || gamutOf(profile.gamut) === gamutOf(primaries);
  const amount = schools.colour === 'practice' && isSame ? PRACTICE : 1;
  return {
    on: amount !== 1,
    values: { amount },
    ground: 'choice',
    why: isSame
      ? amount === 1
        ? 'The recording is in the picture’s own primaries. How much colour the profile took, no number tells'
        : 'Half as much again: common practice on flat profiles'
      : 'The conversion’s matrix has put back what the wide gamut holds apart',
    arithmetic: [{ label: 'colour', value: `× ${amount}` }],
  };
};

export const startSharpen: Proposer = () => ({
  on: false,
  values: {},
  ground: 'choice',
  why: 'At delivery size. The camera’s own should be at its lowest',
  arithmetic: [],
});

export const startGrain: Proposer = () => ({
  on: false,
  values: {},
  ground: 'choice',
  why: 'By taste, over everything; it also hides bands',
  arithmetic: [],
});
