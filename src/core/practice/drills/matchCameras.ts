import { said } from '../said.ts';
import { compileProfile } from '../../profile/index.ts';
import { printStops } from '../../units.ts';
import { stopsAsk } from '../asks.ts';
import { away, pick, whole } from '../random.ts';
import { roomyPlacement } from '../stageTask.ts';
import type { Drill, Level, NumberAsk } from '../types.ts';
import { cardOf, profileOf } from '../world.ts';

const MATCH_TOLERANCE: Readonly<Record<Level, number>> = { 1: 1 / 2, 2: 1 / 3, 3: 1 / 4 };

/** Two cameras on one card: what is turned on the second? */
export const matchCameras: Drill = {
  id: 'match-b-to-a',
  name: 'Match B to A',
  says: 'Two cameras read one card. What is turned on the second?',
  skill: 'post',
  make: (making) => {
    const { random, camera, profileId, world, level } = making;
    const others = world.cameras.filter(({ id }) => id !== camera.id);
    const other = others.length > 0 ? pick(random, others) : camera;
    const otherProfile = pick(random, other.profiles);
    const placement = roomyPlacement(making);
    const off = away(random, 1 / 3, level === 1 ? 1 : 4 / 3);
    const miredOff = level === 1 ? 0 : 5 * whole(random, -8, 8);
    const hero = pick(random, [3200, 4300, 5600]);
    const a = cardOf(world, camera, profileId, placement).profile;
    const b = compileProfile(otherProfile.data);
    const shown = (code: number) => `${(100 * code).toFixed(1)} %`;
    const lower = Math.min(placement + off, b.clipStops - 0.5);
    const kelvin = 1e6 / (1e6 / hero + miredOff);
    return {
      placement,
      text: said(
        `${camera.name} in ${profileOf(camera, profileId).name} is the hero.`,
        `${other.name} in ${otherProfile.name} looks at the same card.`,
        `What is changed on ${other.name}?`,
      ),
      facts: [
        { name: `${camera.name} reads the card at`, value: shown(a.signalAt(placement)) },
        { name: `${camera.name}: that is`, value: printStops(placement) },
        { name: `${other.name} reads the card at`, value: shown(b.signalAt(lower)) },
        {
          name: `${other.name}: the card at 0, +1, +2 would read`,
          value: [0, 1, 2].map((at) => shown(b.signalAt(at))).join(', '),
        },
        ...(level === 1
          ? []
          : [
              { name: `${camera.name} is dialled to`, value: `${hero} K, the card is neutral` },
              { name: `${other.name}’s card at the same dial`, value: castWords(miredOff) },
            ]),
      ],
      asks: [
        stopsAsk('stops', 'Open (+) or close (−), stops', placement - lower, MATCH_TOLERANCE[level]),
        ...(level === 1
          ? []
          : [
              {
                id: 'kelvin',
                kind: 'number',
                label: `${other.name}’s dial, K`,
                unit: 'kelvin',
                by: 'typing',
                truth: [kelvin, kelvin],
                tolerance: { 1: 20, 2: 15, 3: 10 }[level],
                within: [1500, 15_000],
                step: 10,
              } satisfies NumberAsk,
            ]),
      ],
    };
  },
  explain: () => ({
    because: said(
      'Turn both readings into stops by each camera’s own profile first: per cent of two',
      'profiles cannot be compared. The difference is what is opened or closed; the cast goes',
      'onto the dial in mired.',
    ),
    careful: 'Matches on a card in one light, before the doors open, and leaves the hero alone.',
    schools: 'Some match in post only. Light that is missing on the second camera is then noise.',
  }),
};

/** A cast of the card: more mired than the dial is warm, and the dial follows. */
const castWords = (mired: number): string =>
  mired === 0 ? 'neutral' : `${Math.abs(mired)} mired too ${mired > 0 ? 'warm' : 'cold'}`;
