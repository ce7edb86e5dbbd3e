import { said } from '../../said.ts';
import { compileNeutral } from '../../lut/neutral.ts';
import { monitoringRecipe } from '../../lut/monitoringRecipe.ts';
import { compileProfile } from '../../profile/index.ts';
import { codeToSignal, signalToCode } from '../../signal/scale.ts';
import { percent } from '../asks.ts';
import { printStops } from '../../units.ts';
import { pick, shuffled, thirds, whole } from '../random.ts';
import { standsWith } from '../stageTask.ts';
import type { Drill, Level, Making, Option } from '../types.ts';
import { cardOf, profileOf } from '../world.ts';

/** A fault, and what a card, a white and a black read with it, signal fractions. */
type Fault = Option & { readonly of: (reading: Readings, making: Making) => Readings; readonly fix: string };
type Readings = {
  readonly black: number;
  readonly grey: number;
  readonly white: number;
  readonly cast: string;
};

const TEN_LEGAL = { bitDepth: 10, range: 'legal' } as const;
const TEN_FULL = { bitDepth: 10, range: 'full' } as const;
const asFull = (signal: number) => codeToSignal(signalToCode(signal, TEN_LEGAL), TEN_FULL);
const asLegal = (signal: number) => codeToSignal(signalToCode(signal, TEN_FULL), TEN_LEGAL);
const eachOf = (readings: Readings, of: (signal: number) => number): Readings => ({
  ...readings,
  black: of(readings.black),
  grey: of(readings.grey),
  white: of(readings.white),
});

const FAULTS: readonly Fault[] = [
  {
    id: 'none',
    says: 'Nothing: it is as it should be',
    of: (readings) => readings,
    fix: 'Nothing. Write down that it was checked.',
  },
  {
    id: 'legal-as-full',
    says: 'A legal-range file is read as full range',
    of: (readings) => eachOf(readings, asFull),
    fix: 'Tell the software that the file is legal range.',
  },
  {
    id: 'full-as-legal',
    says: 'A full-range file is read as legal range',
    of: (readings) => eachOf(readings, asLegal),
    fix: 'Tell the software that the file is full range.',
  },
  {
    id: 'display-as-log',
    says: 'It is a display picture, not log',
    of: (readings, { camera, profileId }) => {
      const profile = compileProfile(profileOf(camera, profileId).data);
      const { neutral } = compileNeutral(monitoringRecipe({ profile, pullStops: 0 }));
      return eachOf(readings, neutral);
    },
    fix: 'Take the LUT out of the recording, or the clip as a finished picture.',
  },
  {
    id: 'auto-balance',
    says: 'Automatic white balance was left on',
    of: (readings, { random }) => ({
      ...readings,
      cast: `${whole(random, 20, 50)} mired, other in every clip`,
    }),
    fix: 'Switch it off, and dial one number for the scene.',
  },
  {
    id: 'ei',
    says: 'The exposure index was taken for gain: the card lies a stop low',
    of: (readings, { camera, profileId }) => {
      const profile = compileProfile(profileOf(camera, profileId).data);
      return {
        ...readings,
        grey: profile.signalAt(profile.stopsAt(readings.grey) - 1),
        white: profile.signalAt(profile.stopsAt(readings.white) - 1),
      };
    },
    fix: 'Expose by the card at the base, and let the index move the monitor alone.',
  },
];

/** So many of the faults a level may bring, from the first of the list. */
const FAULTS_AT: Readonly<Record<Level, number>> = { 1: 4, 2: 5, 3: 6 };

/** The readings of a card, a white and a lens cap with something wrong: what is it? */
export const findFault: Drill = {
  id: 'find-fault',
  name: 'Find the fault',
  says: 'Black, grey and white do not read as they should. Why?',
  skill: 'post',
  make: (making) => {
    const { random, camera, profileId, level, world } = making;
    const log = world.cameras
      .flatMap((one) => one.profiles.map((profile) => ({ camera: one, profileId: profile.id })))
      .filter((one) => cardOf(world, one.camera, one.profileId, 0).clipStops > 4);
    const own = cardOf(world, camera, profileId, 0).clipStops > 4 ? { camera, profileId } : pick(random, log);
    const profile = compileProfile(profileOf(own.camera, own.profileId).data);
    const faults = FAULTS.slice(0, FAULTS_AT[level]);
    const fault = pick(random, faults);
    const placement = level === 1 ? 0 : thirds(random, 0, 1);
    const white = Math.log2(0.9 / 0.18);
    const right: Readings = {
      black: profile.transfer.encode(0),
      grey: profile.signalAt(placement),
      white: profile.signalAt(placement + white),
      cast: 'none',
    };
    const read = fault.of(right, { ...making, ...own });
    return {
      ...own,
      placement,
      text: `${standsWith(own)}, exposed for a card at ${printStops(placement)}. What is wrong with this clip?`,
      facts: [{ name: 'Cast of the card', value: read.cast }],
      table: {
        head: ['signal', 'lens cap', 'grey card', 'white'],
        rows: [
          ['planned', percent(right.black), percent(right.grey), percent(right.white)],
          ['read', percent(read.black), percent(read.grey), percent(read.white)],
        ],
      },
      asks: [
        {
          id: 'fault',
          kind: 'choice',
          label: 'What it is',
          options: shuffled(random, faults).map(({ id, says }) => ({ id, says })),
          right: [fault.id],
        },
        {
          id: 'fix',
          kind: 'choice',
          label: 'What is done',
          options: shuffled(random, faults).map(({ id, fix }) => ({ id, says: fix })),
          right: [fault.id],
        },
      ],
    };
  },
  explain: ({ asks: [ask] }) => ({
    because: said(
      `${FAULTS.find(({ id }) => ask.kind === 'choice' && ask.right.includes(id))?.says ?? ''}.`,
      'Range moves black and white apart or together; a display picture has a steeper middle',
      'and a black near 0; a wrong index moves grey and white and leaves black.',
    ),
    careful:
      'Films a card, a white and a capped lens at the start of each card, so that this can be told at all.',
  }),
};
