// A card's worth of clips through the queue: two at a time, written as they come, whatever one of them does.
import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it } from 'vitest';
import { demoSelection } from '#store/fixtures/demoBook.ts';
import { clipsOfShoot } from '#store/clips.ts';
import { Database } from '#store/database.ts';
import { clipSchema } from '#store/records/clip.ts';
import { measureFrame } from '#core/scopes/measureFrame.ts';
import { countedFrame } from '#core/scopes/fixtures/countedFrame.ts';
import type { Patch } from '#core/scopes/measure.ts';
import { makeFrame } from '#core/frame/frame.ts';
import { EXACT } from '#core/frame/tags.ts';
import type { Pairing } from '#core/clips/pairing.ts';
import type { Remembered } from '#core/scopes/looks.ts';
import { rememberMarks } from '#core/scopes/refind.ts';
import { takeMarksOf } from '#store/takeMarks.ts';
import { sampleTake } from '#store/fixtures/sampleTake.ts';
import { failure, success, type Result } from '#core/result.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { SurveyedClip, SurveyJobs } from '#workers/survey/protocol.ts';
import { cardNumbersOf } from '../benchModel.ts';
import { createCardSurvey } from './cardSurvey.ts';
import { surveyed } from './clipFound.ts';

const selection = demoSelection('furnace-mouth', 'a-cam');
const of = { shootId: selection.shoot.id, setupId: selection.setup.id, cameraId: selection.camera.id };
const numbers = cardNumbersOf(selection);

const measured = (code: number, hasCard = false) => {
  const plane = () => new Uint16Array(64 * 36).fill(code);
  const frame = makeFrame({
    width: 64,
    height: 36,
    bitDepth: 10,
    range: 'legal',
    r: plane(),
    g: plane(),
    b: plane(),
  });
  const { clipStops, floorStops } = numbers;
  const card: Patch = { id: 'card', kind: 'card', rect: { x: 8, y: 8, width: 16, height: 16 } };
  const options = { profile: selection.profile.data, clipStops, floorStops, patches: hasCard ? [card] : [] };
  return measureFrame(countedFrame(frame), options);
};

const found = (measurement = [450, 450, 450].map((code) => measured(code))): SurveyedClip => {
  return {
    coding: {
      width: 64,
      height: 36,
      bitDepth: 10,
      range: 'legal',
      reading: { kind: 'samples', bits: 10 } as never,
      evidence: '',
      container: 'MP4, avc1',
      tags: {},
      referred: 'recorded',
      exactness: EXACT,
    },
    clip: { seconds: 10, rate: 25, variable: false, frames: 250 },
    facts: { startedAt: 1_776_000_000, timecode: '10:00:00:00' },
    samples: [0, 125, 249].map((n, i) => ({
      frame: n,
      at: n / 25,
      measurement: measurement[i],
      marks: [],
      lights: [],
      tones: [[0.1, 0.1, 0.1]],
    })),
    thumbnails: [Uint8Array.of(1), Uint8Array.of(2), Uint8Array.of(3)],
  };
};

type SurveyAsked = { readonly file?: File; readonly remembered?: readonly Remembered[] };
type Asked = {
  readonly name: string;
  readonly marks: number;
  readonly answer: (result: Result<SurveyedClip>) => void;
};

let opened: Database[] = [];
afterEach(async () => {
  await Promise.all(opened.map((one) => one.delete()));
  opened = [];
});

const bench = () => {
  const database = new Database(`survey-${Math.random()}`, { demo: false });
  opened.push(database);
  const asked: Asked[] = [];
  let pairs: Pairing['pairs'] = [];
  let [running, most, ended, ids] = [0, 0, 0, 0];
  const start = (): Client<SurveyJobs> =>
    ({
      call: async (job: string, input: SurveyAsked, options?: { signal?: AbortSignal }) => {
        if (job === 'pair') return { state: 'done', output: { pairs, clock: [] } };
        running += 1;
        most = Math.max(most, running);
        const outcome = await new Promise((resolve) => {
          options?.signal?.addEventListener('abort', () => resolve({ state: 'cancelled' }));
          asked.push({
            name: input.file!.name,
            marks: input.remembered?.length ?? 0,
            answer: (output) => resolve({ state: 'done', output }),
          });
        });
        running -= 1;
        return outcome;
      },
      onEnded: () => () => undefined,
      end: () => {
        ended += 1;
      },
    }) as unknown as Client<SurveyJobs>;
  const survey = createCardSurvey({
    database,
    start,
    cardOf: () => ({ numbers }),
    newId: () => `clip-${(ids += 1)}`,
    now: () => 0,
  });
  const pairAs = (found: Pairing['pairs']) => {
    pairs = found;
  };
  return { database, survey, asked, pairAs, counts: () => ({ most, ended }) };
};
const file = (name: string, size = 3) =>
  new File(['x'.repeat(size)], name, { lastModified: 1_776_000_000_000 });
const until = async (test: () => boolean | Promise<boolean>) => {
  for (let i = 0; i < 200 && !(await test()); i += 1) await new Promise((resolve) => setTimeout(resolve, 5));
  expect(await test()).toBe(true);
};

describe('drift within a clip', () => {
  it('is of the card where it was seen, never of the card in one frame against the mean of another', () => {
    const card = { numbers };
    const mixed = found([measured(450, true), measured(450, true), measured(700)]);
    expect(surveyed(mixed, card, true).found?.driftStops).toBeCloseTo(0);
    const moved = found([measured(450, true), measured(520, true), measured(700)]);
    expect(surveyed(moved, card, true).found?.driftStops).toBeCloseTo(
      numbers.profile.stopsAt((520 - 64) / 876) - numbers.profile.stopsAt((450 - 64) / 876),
      2,
    );
    const bare = found([measured(450), measured(450), measured(700)]);
    expect(surveyed(bare, card, false).found?.driftStops).toBeGreaterThan(2);
  });
});

describe('the survey of a card', () => {
  it('looks once more, by the marks of its take, at a clip that was paired with one', async () => {
    const { database, survey, asked, pairAs } = bench();
    const take = { ...sampleTake, ...of };
    await database.rows('takes').put(take);
    const card: Patch = { id: 'card', kind: 'card', rect: { x: 8, y: 8, width: 16, height: 16 } };
    const plane = Uint16Array.from({ length: 64 * 36 }, (_, i) => (i * 37) % 900);
    const frame = makeFrame({
      width: 64,
      height: 36,
      bitDepth: 10,
      range: 'legal',
      r: plane,
      g: plane,
      b: plane,
    });
    await database.rows('takeMarks').put(takeMarksOf(take, rememberMarks(frame, [card]))!);
    pairAs([{ clipId: 'clip-1', takeId: take.id, probability: 0.99, isSure: true }]);
    await survey.take([file('A1.mov')], of);
    await until(() => asked.length === 1);
    expect(asked[0].marks).toBe(0);
    asked[0].answer(success(found()));
    await until(() => asked.length === 2);
    expect(asked[1]).toMatchObject({ name: 'A1.mov', marks: 1 });
    asked[1].answer(success(found()));
    await until(() => survey.getState().since === undefined);
    // Not found in it: it is not looked for again and again.
    await survey.pair(of);
    expect(asked).toHaveLength(2);
    expect((await clipsOfShoot(database, of.shootId)).clips[0].found?.marks).toEqual({ frames: 0 });
  });

  it('looks at two at a time, writes each as it comes; a broken one costs only itself', async () => {
    const { database, survey, asked, counts } = bench();
    await survey.take(
      ['A1.mov', 'A2.mov', 'A3.mov', 'notes.txt'].map((name) => file(name)),
      of,
    );
    expect(survey.getState().note).toBe('1 other file left out.');
    await until(() => asked.length === 2);
    asked[0].answer(failure('clip', 'It is damaged.'));
    asked[1].answer(success(found()));
    await until(() => asked.length === 3);
    asked[2].answer(success(found()));
    await until(() => survey.getState().since === undefined);
    expect(counts().most).toBe(2);
    const { clips } = await clipsOfShoot(database, of.shootId);
    expect(clips.map(({ file: { name }, state }) => [name, state]).toSorted()).toEqual([
      ['A1.mov', 'leftOut'],
      ['A2.mov', 'surveyed'],
      ['A3.mov', 'surveyed'],
    ]);
    clips.forEach((clip) => clipSchema.parse(clip));
    expect(clips.find(({ state }) => state === 'leftOut')?.problem).toBe('It is damaged.');
    expect(await database.rows('thumbnails').count()).toBe(6);
    expect(survey.getState()).toMatchObject({ done: 2, failed: 1, waiting: [] });
  });

  it('cancelled, the clips stay and wait; chosen again, only they are looked at', async () => {
    const { database, survey, asked } = bench();
    const files = ['A1.mov', 'A2.mov', 'A3.mov'].map((name) => file(name));
    await survey.take(files, of);
    await until(() => asked.length === 2);
    asked[0].answer(success(found()));
    await until(() => asked.length === 3);
    survey.cancel();
    await until(() => survey.getState().since === undefined);
    const states = async () =>
      (await clipsOfShoot(database, of.shootId)).clips.map(({ state }) => state).toSorted();
    expect(await states()).toEqual(['surveyed', 'waiting', 'waiting']);
    await survey.take(files, of);
    expect(survey.getState().note).toBe('1 clip known already.');
    await until(() => asked.length === 5);
    asked.slice(3).forEach(({ answer }) => answer(success(found())));
    await until(async () => (await states()).every((state) => state === 'surveyed'));
    // The same again is nothing new.
    await survey.take(files, of);
    expect((await clipsOfShoot(database, of.shootId)).clips).toHaveLength(3);
    expect(survey.getState().since).toBeUndefined();
  });

  it('paused, nothing new begins; one that was deleted meanwhile is not brought back', async () => {
    const { database, survey, asked } = bench();
    await survey.take(
      ['A1.mov', 'A2.mov', 'A3.mov'].map((name) => file(name)),
      of,
    );
    await until(() => asked.length === 2);
    survey.pause();
    await database.table('clips').delete('clip-1');
    asked.forEach(({ answer }) => answer(success(found())));
    await until(() => survey.getState().done === 2);
    expect(asked).toHaveLength(2);
    expect(await database.rows('clips').get('clip-1')).toBeUndefined();
    survey.goOn();
    await until(() => asked.length === 3);
    asked[2].answer(success(found()));
    await until(() => survey.getState().since === undefined);
  });

  it('names of 300 characters with signs of every kind are kept', async () => {
    const { database, survey, asked } = bench();
    const name = `${'🎬é'.repeat(98)}.mov`;
    await survey.take([file(name)], of);
    await until(() => asked.length === 1);
    asked[0].answer(success(found()));
    await until(() => survey.getState().since === undefined);
    expect((await clipsOfShoot(database, of.shootId)).clips[0].file.name).toBe(name);
  });
});
