import type { Answer, Answers, AnswerUnit, Ask, MissUnit, NumberAsk, OrderAsk, Task } from './types.ts';

/** What misses of an answer are measured in, and the answer on that scale: a miss is a plain difference there. */
const SCALES: Readonly<
  Record<AnswerUnit, { readonly unit: MissUnit; readonly at: (answer: number) => number }>
> = {
  stops: { unit: 'stops', at: (stops) => stops },
  mired: { unit: 'mired', at: (mired) => mired },
  percent: { unit: 'percent', at: (percent) => percent },
  // A warmer light has more mired: a dial that is set too low is a miss over the truth.
  kelvin: { unit: 'mired', at: (kelvin) => 1e6 / kelvin },
  // A larger number is less light.
  'f-number': { unit: 'stops', at: (number) => -2 * Math.log2(number) },
};

/** An answer on the scale that its misses are measured on. */
export const onMissScale = (unit: AnswerUnit, answer: number): number => SCALES[unit].at(answer);

/** A miss of so many tolerances is worth nothing any more. */
const NOTHING_LEFT = 4;

export type Mark = {
  readonly ask: string;
  readonly unit: MissUnit;
  /** Signed: over the truth +. Choices: how many are wrong. */
  readonly miss: number;
  readonly tolerance: number;
  readonly ok: boolean;
  /** 1 within the tolerance, falling to 0 at four of it. */
  readonly share: number;
};

const missUnitOf = (ask: Ask): MissUnit => (ask.kind === 'number' ? SCALES[ask.unit].unit : 'choices');

const markNumber = (ask: NumberAsk, answer: number): Mark => {
  const { unit, at } = SCALES[ask.unit];
  const ends = ask.truth.map((truth) => at(answer) - at(truth));
  const inside = Math.min(...ends) <= 0 && Math.max(...ends) >= 0;
  const miss = inside ? 0 : Math.abs(ends[0]) < Math.abs(ends[1]) ? ends[0] : ends[1];
  const over = Math.abs(miss) / ask.tolerance;
  // Thirds are no whole numbers: what lies on the edge is in.
  const ok = over <= 1 + 1e-9;
  const share = ok ? 1 : Math.max(0, 1 - (over - 1) / (NOTHING_LEFT - 1));
  return { ask: ask.id, unit, miss, tolerance: ask.tolerance, ok, share };
};

/** Pairs that stand the wrong way round, out of all of them. */
const outOfOrder = ({ right, either = [] }: OrderAsk, given: readonly string[]): number => {
  const isEither = (a: string, b: string) => either.some((pair) => pair.includes(a) && pair.includes(b));
  const places = right.map((id) => given.indexOf(id));
  if (places.includes(-1)) return right.length;
  let wrong = 0;
  for (let i = 0; i < places.length; i += 1)
    for (let j = i + 1; j < places.length; j += 1)
      if (places[i] > places[j] && !isEither(right[i], right[j])) wrong += 1;
  return wrong;
};

const markOne = (ask: Ask, answer: Answer | undefined): Mark => {
  const none = { ask: ask.id, unit: missUnitOf(ask), tolerance: 0, ok: false, share: 0 };
  if (ask.kind === 'number')
    return typeof answer === 'number' && Number.isFinite(answer)
      ? markNumber(ask, answer)
      : { ...none, tolerance: ask.tolerance, miss: Number.NaN };
  if (ask.kind === 'choice') {
    const ok = typeof answer === 'string' && ask.right.includes(answer);
    return { ...none, ok, miss: ok ? 0 : 1, share: ok ? 1 : 0 };
  }
  const wrong = Array.isArray(answer) ? outOfOrder(ask, answer as readonly string[]) : ask.right.length;
  const most = (ask.right.length * (ask.right.length - 1)) / 2;
  return { ...none, ok: wrong === 0, miss: wrong, share: Math.max(0, 1 - wrong / most) };
};

export type Judged = {
  readonly marks: readonly Mark[];
  readonly ok: boolean;
  /** Mean of what each answer is worth, 0..1. */
  readonly share: number;
};

/** An answer to a task, judged. What was not answered is a miss; nothing throws. */
export const judge = (task: Pick<Task, 'asks'>, answers: Answers): Judged => {
  const marks = task.asks.map((ask) => markOne(ask, answers[ask.id]));
  return {
    marks,
    ok: marks.every(({ ok }) => ok),
    share: marks.reduce((sum, { share }) => sum + share, 0) / Math.max(1, marks.length),
  };
};

/** What is right: the middle where anything between two is. */
export const rightAnswer = (ask: Ask): Answer => {
  if (ask.kind === 'order') return ask.right;
  if (ask.kind === 'choice') return ask.right[0];
  const [low, high] = ask.truth;
  const { at } = SCALES[ask.unit];
  const of = (answer: number, truth: number) => at(answer) - at(truth);
  if (low === high) return low;
  // Half-way in what misses are measured in; kelvin and f-numbers are no even scales.
  let [a, b] = [low, high];
  for (let i = 0; i < 40; i += 1) {
    const middle = (a + b) / 2;
    if (Math.abs(of(middle, low)) < Math.abs(of(middle, high))) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
};
