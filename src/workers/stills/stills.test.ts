import { describe, expect, it } from 'vitest';
import { PLAIN } from '#core/kernels/plain.ts';
import { writePng } from '#core/formats/png.ts';
import { makeFrame } from '#core/frame/frame.ts';
import { success } from '#core/result.ts';
import { createClient } from '../rpc/client.ts';
import { channel } from '../rpc/fixtures/channel.ts';
import { plainContext } from '../rpc/fixtures/context.ts';
import { serve } from '../rpc/serve.ts';
import { JUDGE_LANES, judgeHandlers } from '../judge/handlers.ts';
import type { JudgeJobs } from '../judge/protocol.ts';
import { stillHandlers, stillsHere } from './handlers.ts';
import type { Stills } from './protocol.ts';

const frameOf = (code: number) => {
  const plane = () => new Uint16Array(64 * 36).fill(code);
  return makeFrame({
    width: 64,
    height: 36,
    bitDepth: 10,
    range: 'legal',
    r: plane(),
    g: plane(),
    b: plane(),
  });
};
const png = (code: number) => writePng(frameOf(code)) as Uint8Array<ArrayBuffer>;
const never = new AbortController().signal;

describe('stills', () => {
  it('are the same in a worker of their own as here, and planes are handed over', async () => {
    const bytes = png(500);
    const here = await stillsHere.open(bytes, { range: 'legal' }, never);
    const jobs = stillHandlers();
    const served = await jobs.open(
      { bytes: bytes.slice().buffer, options: { range: 'legal' } },
      plainContext,
    );
    expect(served.output).toEqual(here);
    expect(served.transfer?.length).toBeGreaterThan(0);
    if (!here.ok) throw new Error(here.reason);
    const written = await jobs.write({ frame: here.value.frame }, plainContext);
    const again = await stillsHere.write(here.value.frame, never);
    expect(again).toEqual(success(written.output.png));
    const bad = await jobs.open({ bytes: new ArrayBuffer(12), options: { range: 'legal' } }, plainContext);
    expect(bad.output).toMatchObject({ ok: false, where: 'byte 0' });
  });

  it('that take long hold no picture, and one that is given up does not hold the next', async () => {
    const opening: AbortSignal[] = [];
    // A decoder that never comes to its end for the first file.
    const slow: Stills = {
      ...stillsHere,
      open: (bytes, options, signal) => {
        opening.push(signal);
        return opening.length === 2 ? new Promise(() => undefined) : stillsHere.open(bytes, options, signal);
      },
    };
    const { worker, port } = channel();
    serve(
      port,
      judgeHandlers(PLAIN, PLAIN, () => 0, { form: 'plain' }, slow),
      JUDGE_LANES,
    );
    const client = createClient<JudgeJobs>(() => worker, { name: 'tests', watch: () => () => undefined });
    const open = (code: number, signal?: AbortSignal) =>
      client.call('open', { file: new Blob([png(code)]), name: 'a.png', range: 'legal' }, { signal });
    expect(await open(300)).toMatchObject({ state: 'done', output: { ok: true } });
    const stop = new AbortController();
    const large = open(400, stop.signal);
    const codes = { rect: { x: 0, y: 0, width: 1, height: 1 } };
    for (let i = 0; i < 500 && opening.length < 2; i += 1) await client.call('codes', codes);
    expect(opening).toHaveLength(2);
    // The picture before is still looked at.
    expect(await client.call('codes', codes)).toMatchObject({ output: [{ g: 300 }] });
    stop.abort();
    expect(await large).toEqual({ state: 'cancelled' });
    expect(await open(500)).toMatchObject({ state: 'done', output: { ok: true } });
    expect(opening[1].aborted).toBe(true);
    expect(await client.call('codes', codes)).toMatchObject({ output: [{ g: 500 }] });
    client.end();
  });
});
