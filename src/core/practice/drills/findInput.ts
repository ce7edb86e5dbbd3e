import { said } from '../../said.ts';
import { compileNeutral } from '../../lut/neutral.ts';
import { monitoringRecipe } from '../../lut/monitoringRecipe.ts';
import { compileProfile, type Profile } from '../../profile/index.ts';
import { percent } from '../asks.ts';
import { pick, shuffled } from '../random.ts';
import type { Drill, Level, Making } from '../types.ts';
import type { PracticeProfile } from '../world.ts';

/** Two profiles whose greys lie closer than this share one LUT as far as grey goes: signal. Our own. */
const APART = 0.03;

/** Profiles of all cameras that can be told apart by where grey and white lie. */
const told = ({ world }: Making): PracticeProfile[] => {
  const found: { readonly profile: PracticeProfile; readonly marks: readonly number[] }[] = [];
  for (const profile of world.cameras.flatMap(({ profiles }) => profiles)) {
    const { signalAt } = compileProfile(profile.data);
    const marks = [signalAt(0), signalAt(2)];
    const isNew = found.every((one) => one.marks.some((mark, i) => Math.abs(mark - marks[i]) > APART));
    if (isNew) found.push({ profile, marks });
  }
  return found.map(({ profile }) => profile);
};

const OPTIONS: Readonly<Record<Level, number>> = { 1: 2, 2: 3, 3: 4 };
/** Signals that are sent through, per cent. */
const SENT = [10, 20, 30, 40, 50, 60, 70, 80, 90] as const;

/** Grey and two stops over it, as levels. */
const levels = (levelOf: (compiled: Profile, stops: number) => number, { data }: PracticeProfile): string =>
  [0, 2].map((stops) => percent(levelOf(compileProfile(data), stops))).join(', ');

/** A LUT without a name: which profile is it made for, and does it fit this camera? */
export const findInput: Drill = {
  id: 'find-input',
  name: 'Which input a LUT wants',
  says: 'A LUT without a name: which profile is it made for?',
  skill: 'post',
  make: (making) => {
    const { random, level } = making;
    const options = shuffled(random, told(making)).slice(0, OPTIONS[level]);
    const profile = pick(random, options);
    const { neutral } = compileNeutral(monitoringRecipe({ profile: profile.data, pullStops: 0 }));
    return {
      placement: 0,
      text: said(
        'A LUT came with the job and nobody knows what it is made for. It has no pull: grey and two stops over it',
        'come out where its picture has them. Which profile does it want?',
      ),
      facts: [
        {
          name: '0 and +2 come out at',
          value: levels(({ signalAt }, stops) => neutral(signalAt(stops)), profile),
        },
        ...options.map((option) => ({
          name: `${option.name} records 0 and +2 at`,
          value: levels(({ signalAt }, stops) => signalAt(stops), option),
        })),
      ],
      table: {
        head: ['in, %', ...SENT.map(String)],
        rows: [['out, %', ...SENT.map((sent) => (100 * neutral(sent / 100)).toFixed(0))]],
      },
      asks: [
        {
          id: 'input',
          kind: 'choice',
          label: 'It is made for',
          options: options.map(({ id, name }) => ({ id, says: name })),
          right: [profile.id],
        },
      ],
    };
  },
  explain: ({ asks: [ask] }) => ({
    because: said(
      'Go along what comes out to both levels, and up to what went in: there its profile records grey and two',
      'stops over. Grey alone is not enough, many profiles have it near 40 %. It belongs to',
      `${ask.kind === 'choice' ? (ask.options.find(({ id }) => id === ask.right[0])?.says ?? '') : ''}.`,
    ),
    careful:
      'Puts the profile and the pull into the name of every LUT, and tries each on a card before the job.',
    schools: said(
      'With the wrong input a picture is too dark, too bright or too hard and still looks like a picture:',
      'who exposes by it is off all day.',
    ),
  }),
};
