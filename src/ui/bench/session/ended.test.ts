import { describe, expect, it } from 'vitest';
import { until } from '#store/fixtures/openBooks.ts';
import { eachHere, target } from '../fixtures/eachHere.ts';
import { clipFile, patch, stillFile } from '../fixtures/files.ts';
import { isOf } from './measuring.ts';

const { here, session, state } = eachHere();

describe('a worker that ends', () => {
  it('has its file opened again, read as it was, at the same frame, with its marks', async () => {
    await session().frame.openFile(clipFile('falls.y4m', [400, 500, 600]), 'legal');
    await session().frame.reread({ range: 'full' });
    session().frame.setPatch(patch);
    await session().moving.seek('falls.y4m', 1);
    await session().hero.hold(target);
    expect(state().hero?.name).toBe('falls.y4m');
    const before = state();
    here().judge.end();
    await until(() => state().failure !== undefined && state().frame?.serial !== before.frame?.serial);
    expect(here().judge.started()).toBe(2);
    expect(state()).toMatchObject({
      frame: { name: 'falls.y4m', info: { range: 'full' } },
      patches: before.patches,
    });
    // What only the worker had is gone, and does not look as if it were there.
    expect(state().hero).toBeUndefined();
    expect(state().failure?.reason).toMatch(/judging pictures was ended by the browser.*do again/);
    for (let i = 0; i < 200 && state().measured?.at !== 1; i += 1) await session().frame.measure(target);
    expect(state().measured).toMatchObject({ at: 1 });
    expect(session().moving.getState().at).toBe(1);
    expect(state().frame && state().measured && isOf(state().frame!.info, state().measured!)).toBe(true);
  });

  it('has its scene set up again, knobs as they were turned', async () => {
    await session().stage.stand({ id: 'bench-interview', setupId: 'bench-interview', people: [] });
    session().stage.turn({ iso: 1600 });
    const before = state().stage;
    here().judge.end();
    await until(() => state().stage !== before && state().busy === undefined);
    expect(state().stage).toMatchObject({ standing: { id: 'bench-interview' }, turned: { iso: 1600 } });
  });

  it('in the middle of a survey frees its button and says so', async () => {
    await session().frame.openFile(clipFile('falls.y4m', Array<number>(30).fill(400)), 'legal');
    const frames = Array.from({ length: 30 }, (_, n) => n);
    const survey = session().frame.survey(target, frames);
    await until(() => (state().surveying ?? 0) > 0);
    here().judge.end();
    const { frame } = state();
    await survey;
    expect(state().surveying).toBeUndefined();
    expect(state().samples).toBeUndefined();
    expect(state().failure?.reason).toContain('was ended by the browser');
    await until(() => state().frame?.serial !== frame?.serial && state().busy === undefined);
    // The file is back, and the notice still there to be read.
    expect(state().failure).toMatchObject({ name: 'Worker', isLasting: true });
    await session().frame.survey(target, [0, 1]);
    expect(state().samples).toHaveLength(2);
  });

  it('in the middle of another reading has the file as it was, and of a take, too', async () => {
    await session().frame.openFile(stillFile('a.png', 300), 'legal');
    const { frame } = state();
    const reading = session().frame.reread({ range: 'full' });
    here().judge.end();
    await reading;
    await until(() => state().busy === undefined && state().frame?.serial !== frame?.serial);
    expect(state().frame).toMatchObject({ name: 'a.png', info: { range: 'legal' } });
    expect(state().failure?.reason).toContain('was ended by the browser');
    // That it ended stays told, whatever is opened meanwhile.
    await session().frame.openFile(stillFile('b.png', 300), 'legal');
    expect(state().failure?.name).toBe('Worker');
  });

  it('twice in a row does not go on for ever', async () => {
    await session().frame.openFile(stillFile('a.png', 300), 'legal');
    here().judge.end();
    await until(() => state().busy !== undefined);
    here().judge.end();
    await until(() => state().failure !== undefined && state().busy === undefined);
    expect(here().judge.started()).toBeLessThan(4);
    await session().frame.openFile(stillFile('b.png', 500), 'legal');
    expect(state().frame?.name).toBe('b.png');
  });
});
