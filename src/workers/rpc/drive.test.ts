import { describe, expect, it } from 'vitest';
import type { InParts } from '#core/inParts.ts';
import { atOnce } from '#core/inParts.ts';
import { drive } from './drive.ts';
import { Cancelled } from './serve.ts';

function* sum(to: number): InParts<number> {
  let all = 0;
  for (let n = 1; n <= to; n += 1) {
    all += n;
    yield;
  }
  return all;
}

/** A clock that goes on by so many milliseconds each time it is looked at. */
const clock = (ms: number) => {
  let time = 0;
  return () => (time += ms);
};

describe('work in parts', () => {
  it('comes to the same, driven or in one go', async () => {
    expect(await drive(sum(100), async () => undefined, clock(5))).toBe(5050);
    expect(atOnce(sum)(100)).toBe(5050);
  });

  it('lets others go first every dozen milliseconds, not at every part', async () => {
    let pauses = 0;
    const pause = async () => {
      pauses += 1;
    };
    await drive(sum(100), pause, clock(4));
    // Three parts of four milliseconds make a slice.
    expect(pauses).toBe(33);
    pauses = 0;
    await drive(sum(100), pause, clock(0));
    expect(pauses).toBe(0);
  });

  it('is left where it is when the call was cancelled', async () => {
    let parts = 0;
    function* counted(): InParts<void> {
      for (;;) {
        parts += 1;
        yield;
      }
    }
    const work = drive(
      counted(),
      async () => {
        if (parts > 30) throw new Cancelled();
      },
      clock(20),
    );
    await expect(work).rejects.toBeInstanceOf(Cancelled);
    expect(parts).toBe(31);
  });
});
