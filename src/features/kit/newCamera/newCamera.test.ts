import { describe, expect, it } from 'vitest';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import { compileProfile } from '#core/profile/index.ts';
import { afterEdit, afterUndo, demoBook } from '#store/fixtures/demoBook.ts';
import { cameraSchema } from '#store/records/camera.ts';
import { resolveSelection } from '#store/selection.ts';
import { TABLES } from '#store/tables.ts';
import { newCameraEdit, newCameraForm, profileWords } from './newCameraModel.ts';
import { PLAIN_CAMERA } from './plainCamera.ts';
import { askedIds, assumedIds, NO_ANSWERS, QUESTION_IDS, questionOf, type QuestionId } from './questions.ts';

const IDS = { camera: 'c', profile: 'p', shoot: 's', setup: 'one' };
const made = (answers: Partial<Record<QuestionId, string>>) =>
  newCameraForm.parse({ ...NO_ANSWERS, ...answers });

describe('a new camera', () => {
  it('of which nothing is known is a camera, with every assumption said', () => {
    expect(cameraSchema.safeParse(PLAIN_CAMERA).success).toBe(true);
    const { camera, profile } = made({});
    expect(profile).toBeUndefined();
    expect(camera).toMatchObject({ profileIds: ['standard'], baseIsos: [100], coding: { bitDepth: 8 } });
    expect(assumedIds(NO_ANSWERS)).toHaveLength(askedIds(NO_ANSWERS).length);
    for (const id of QUESTION_IDS) expect(questionOf(id).find.length).toBeGreaterThan(10);
  });

  it('takes its paper in 10-bit codes though it records 8-bit', () => {
    const { camera, profile } = made({
      name: 'Old body',
      bitDepth: '8',
      picture: 'printed',
      scale: 'code10',
      grey: '420',
      white: '590',
      black: '95',
      clip: '940',
      clipStops: '6',
    });
    expect(camera.name).toBe('Old body');
    const compiled = compileProfile(profile!.data);
    // 10-bit legal codes: (420 - 64) / 876 and (590 - 64) / 876 of signal (BT.709-6 clause 5.6).
    expect(compiled.transfer.encode(0.18)).toBeCloseTo(356 / 876, 3);
    expect(compiled.transfer.encode(0.9)).toBeCloseTo(526 / 876, 2);
    expect(profileWords({ camera, profile })).toBe('grey 41 %, clip +6.0 at 100 % of signal');
  });

  it.each([
    [{ zebraRange: 'all' }, 'zebraRange', /Zebra: levels run from lowest to highest/],
    [{ baseIsos: 'auto' }, 'baseIsos', /Base ISO: type one or two whole numbers/],
    [{ irises: '-2 to 5' }, 'irises', /Iris: type the widest and the smallest/],
    [{ picture: 'printed', grey: 'bright' }, 'grey', /“bright” is none/],
    [{ picture: 'printed' }, 'grey', /a curve needs two/],
  ] as const)('%j is told beside its question', (answers, id, says) => {
    const read = newCameraForm.safeParse({ ...NO_ANSWERS, ...answers });
    expect(read.success).toBe(false);
    expect(read.error?.issues[0].path).toEqual([id]);
    expect(read.error?.issues[0].message).toMatch(says);
  });

  it('answers reach the card: what its zebra can be set to and by what it starts', () => {
    const { camera, profile } = made({
      name: 'Mine',
      bitDepth: '10',
      picture: 'printed',
      grey: '40.6',
      white: '58.5',
      clip: '94',
      clipStops: '6',
      baseIsos: '640',
      zebraRange: '0 to 109',
      zebraStep: '1',
      meter: 'spot',
      shutterBy: 'angle',
      irises: '1.4 to 22',
    });
    const book = demoBook();
    const edit = newCameraEdit(book, { camera, profile }, IDS, { shootName: 'My shoot' });
    for (const { table, after } of edit.changes) expect(TABLES[table].safeParse(after).success).toBe(true);
    const now = afterEdit(book, edit);
    const selection = resolveSelection(now, { shoot: 's', setup: 'one', camera: 'c' })!;
    expect(selection.problems).toEqual([]);
    expect(selection.plan).toMatchObject({
      profileId: 'p',
      iso: 640,
      shutter: { kind: 'angle', degrees: 180 },
    });
    const numbers = setCardNumbers(selection.profile.data, selection.camera, selection.plan, [], 25);
    expect(numbers.card.level).toBe(41);
    expect(afterUndo(book, edit)).toEqual(book);
  });

  it('joins the set-up at hand where it is asked to', () => {
    const book = demoBook();
    const setup = book.setups.get('dunes')!;
    const now = afterEdit(book, newCameraEdit(book, made({}), IDS, { setup }));
    expect(now.setups.get('dunes')?.cameraIds).toEqual([...setup.cameraIds, 'c']);
    expect(now.shoots.size).toBe(book.shoots.size);
  });
});
