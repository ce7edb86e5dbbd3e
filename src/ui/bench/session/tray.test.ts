import { describe, expect, it } from 'vitest';
import { writePng } from '#core/formats/png.ts';
import { makeFrame } from '#core/frame/frame.ts';
import { eachHere } from '../fixtures/eachHere.ts';
import { stillFile } from '../fixtures/files.ts';

const { session, state } = eachHere();
const FOR = { range: 'legal', setupId: 'furnace-mouth' } as const;
const names = () => state().tray?.items.map(({ name }) => name);

/** A still with a card on a board that lies elsewhere in each; without one where it is nowhere. */
const shot = (name: string, left?: number) => {
  const [width, height] = [640, 360];
  const plane = Uint16Array.from({ length: width * height }, (_, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    if (left !== undefined && y >= 120 && y < 200 && x >= left - 20 && x < left + 70) {
      if (y >= 140 && y < 180 && x >= left && x < left + 40) return 400;
      return x < left + 55 ? 90 : 800;
    }
    return Math.round(300 + 50 * Math.sin(x / 60) + 30 * Math.cos(y / 33));
  });
  const frame = makeFrame({ width, height, r: plane, g: plane, b: plane, bitDepth: 10, range: 'legal' });
  return new File([writePng(frame) as Uint8Array<ArrayBuffer>], name);
};
const CARD = { id: 'card', kind: 'card', rect: { x: 104, y: 144, width: 32, height: 32 } } as const;

describe('a tray of files', () => {
  it('opens the first, goes on and back, and stops at its ends', async () => {
    await session().tray.add([stillFile('a.png', 300), stillFile('b.png', 400)], FOR);
    expect(state()).toMatchObject({ frame: { name: 'a.png' }, tray: { at: 0 } });
    await session().tray.go(-1, FOR);
    expect(state().frame?.name).toBe('a.png');
    await session().tray.go(1, FOR);
    await session().tray.go(1, FOR);
    expect(state()).toMatchObject({ frame: { name: 'b.png' }, tray: { at: 1 } });
  });

  it('one more joins it; one alone, or several, begin another', async () => {
    await session().tray.add([stillFile('a.png', 300), stillFile('b.png', 400)], FOR);
    await session().tray.add([stillFile('c.png', 500)], FOR);
    expect(names()).toEqual(['a.png', 'b.png', 'c.png']);
    expect(state()).toMatchObject({ frame: { name: 'c.png' }, tray: { at: 2 } });
    await session().tray.add([stillFile('d.png', 300), stillFile('e.png', 400)], FOR);
    expect(names()).toEqual(['d.png', 'e.png']);
    await session().tray.add([], FOR);
    expect(names()).toEqual(['d.png', 'e.png']);
  });

  it('says which file was refused and why; the frame stays, and the next one opens', async () => {
    const bad = new File(['takes of the day'], 'notes.txt');
    await session().tray.add([stillFile('a.png', 300), bad, stillFile('c.png', 500)], FOR);
    await session().tray.go(1, FOR);
    expect(state()).toMatchObject({
      frame: { name: 'a.png' },
      failure: { name: 'notes.txt' },
      tray: { at: 1 },
    });
    expect(state().tray?.items[1].refused).toBe(state().failure?.reason);
    await session().tray.go(1, FOR);
    expect(state()).toMatchObject({ frame: { name: 'c.png' }, tray: { at: 2 } });
    expect(state().tray?.items.map(({ refused }) => refused !== undefined)).toEqual([false, true, false]);
  });

  it('marks go along where they are found, and are asked for where they are not', async () => {
    await session().tray.add([shot('a.png', 100), shot('b.png', 330), shot('c.png')], FOR);
    session().frame.setPatch(CARD);
    await session().tray.go(1, FOR);
    const [found] = state().patches;
    expect(found).toMatchObject({ id: 'card', kind: 'card' });
    expect(Math.abs(found.rect.x - (CARD.rect.x + 230))).toBeLessThanOrEqual(2);
    expect(state().unfound).toEqual([]);
    await session().tray.go(1, FOR);
    expect(state()).toMatchObject({ patches: [], unfound: ['card'] });
    session().frame.setPatch(CARD);
    expect(state().unfound).toEqual([]);
  });

  it('marks of one set-up are not taken to another', async () => {
    await session().tray.add([shot('a.png', 100), shot('b.png', 330)], FOR);
    session().frame.setPatch(CARD);
    await session().tray.go(1, { ...FOR, setupId: 'dunes' });
    expect(state()).toMatchObject({ frame: { name: 'b.png' }, patches: [], unfound: [] });
  });
});
