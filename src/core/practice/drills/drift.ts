import { said } from '../../said.ts';
import { printStops, printStopsDecimal } from '../../units.ts';
import { gaussian } from '../../random.ts';
import { stopsAsk } from '../asks.ts';
import { pick, thirds, whole } from '../random.ts';
import { standsWith } from '../stageTask.ts';
import type { Drill, Level } from '../types.ts';

/** Noise of a reading, stops. */
const NOISE: Readonly<Record<Level, number>> = { 1: 0.02, 2: 0.06, 3: 0.1 };
const READINGS = 9;
/** What a clip may drift before it is said: our own, as the verdict on drift has it. */
const STEADY = 1 / 6;

/** Readings of one card through a clip: does it drift, and what from? */
export const judgeDrift: Drill = {
  id: 'judge-drift',
  name: 'Judge a clip for drift',
  says: 'One card through a clip: noise, or a drift that somebody must undo?',
  skill: 'post',
  make: (making) => {
    const { random, level } = making;
    const noise = gaussian(random);
    const kind = pick(random, ['steady', 'light', 'auto'] as const);
    const start = thirds(random, 0, 1);
    const drift = kind === 'steady' ? 0 : thirds(random, 2 / 3, 4 / 3) * (random() < 0.5 ? -1 : 1);
    const jumpAt = whole(random, 3, READINGS - 3);
    const at = (i: number) => (kind === 'auto' ? (i < jumpAt ? 0 : drift) : (drift * i) / (READINGS - 1));
    const readings = Array.from({ length: READINGS }, (_, i) => start + at(i) + NOISE[level] * noise());
    return {
      placement: start,
      text: `A clip of ${standsWith(making)}: one grey card, read every ten seconds. Does it drift?`,
      facts: [{ name: 'Planned', value: printStops(start) }],
      table: {
        head: ['seconds', ...readings.map((_, i) => String(10 * i))],
        rows: [['card', ...readings.map((value) => printStopsDecimal(value, 2))]],
      },
      asks: [
        stopsAsk('drift', 'Last minus first, stops', drift, Math.max(STEADY, 1 / 3 - level / 18)),
        {
          id: 'cause',
          kind: 'choice',
          label: 'What it looks like',
          options: [
            { id: 'steady', says: 'Steady: only noise' },
            { id: 'light', says: 'The light goes, slowly' },
            { id: 'auto', says: 'Something on the camera switched' },
          ],
          right: [kind],
        },
      ],
    };
  },
  explain: () => ({
    because: said(
      'The mean of the last readings against the mean of the first says how far; whether it',
      'came slowly or at once says what from.',
    ),
    careful: 'Leaves a card in the edge of a long take, or reads one at both ends.',
    schools:
      'A slow drift can be undone in post with two marks; a jump in the middle of a take is better filmed again.',
  }),
};
