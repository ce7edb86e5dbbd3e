import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { NO_CORRECTION } from '#core/correction/operations.ts';
import { compileProfile } from '#core/profile/index.ts';
import { stopsToReflectance } from '#core/units.ts';
import { compileLut } from '#core/lut/lut.ts';
import { parseCubeFile } from '#core/formats/cube.ts';
import { codeToSignal, maxCode, signalToCode } from '#core/signal/scale.ts';
import type { RoomPatch } from '#core/room/drift.ts';
import { afterEdit, demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { planSchema } from '#store/records/plan.ts';
import { emptyEvening, momentKey, withEvent, type Evening } from '#ui/bench/room/roomBox.ts';
import { MOST_EVENTS } from '#core/room/events.ts';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import type { MatchPair } from '../cameras/useMatchPair.ts';
import { boardChosen, boardIn, marksOf, newName, withMark, withoutMark } from './marking.ts';
import {
  facesOf,
  keepFace,
  pairsOf,
  positionOf,
  roomCameras,
  roomEdit,
  thingRows,
  withPosition,
} from './roomModel.ts';
import { cameraCdl, cameraLut, sheetCsv, sheetJson, sheetOf, sheetPdf } from './sheetFiles.ts';

const PLACE = { x: 0.4, y: 0.4, width: 0.05, height: 0.05 };
const book = demoBook();
const setup = book.setups.get('open-evening')!;
const patch = (name: string, stops: number, kind: RoomPatch['kind'] = 'skin'): RoomPatch => {
  const v = stopsToReflectance(stops);
  return { name, kind, light: [v, v, v], error: [0, 0, 0], clipped: 0, underFloor: 0 };
};

describe('the cameras of a room', () => {
  const cameras = roomCameras(book, 'salt-and-fire', setup);

  it('are the set-up’s, the hero first, each before its own scene; the second one’s automatics are left on', () => {
    expect(cameras.map(({ id, isHero, sceneId }) => [id, isHero, sceneId])).toEqual([
      ['hall-1', true, 'hall-wide'],
      ['hall-2', false, 'hall-speaker'],
    ]);
    expect(cameras.map(({ stage }) => stage?.isLeftOn)).toEqual([false, true]);
  });

  it('a position is added, looked from and marked, as steps that the store takes', () => {
    const [, hall2] = cameras;
    const choir = { id: 'choir', name: 'Choir', marks: [] };
    const room = { ...hall2.room, positions: [...hall2.room.positions, choir], at: 'choir' };
    const marked = withPosition(room, 'choir', { marks: [{ name: 'card', kind: 'card', place: PLACE }] });
    const after = afterEdit(book, roomEdit(hall2, marked, 'Choir'));
    const again = roomCameras(after, 'salt-and-fire', after.setups.get('open-evening')!)[1];
    expect(again.position).toMatchObject({ id: 'choir', marks: [{ name: 'card' }] });
    expect(planSchema.safeParse(again.selection.plan).success).toBe(true);
    expect(positionOf({ ...marked, at: 'not there' }).id).toBe('first');
  });

  it('a face is kept with its own place: as kept, as surveyed, else as it was first read', () => {
    const [hall1] = cameras;
    const subjects = [{ id: 'ana', name: 'Ana', skinOffset: 1.2 }];
    const marked = [patch('Ana', 0.9), patch('Face 1', -0.6)];
    const [ana, guest] = facesOf(hall1, marked, subjects);
    expect(ana.offset).toBe(1.2);
    expect(guest).toMatchObject({ id: 'face-1', offset: expect.closeTo(-0.6) });
    const after = afterEdit(book, keepFace(hall1, guest, true, 'Face 1'));
    const kept = roomCameras(after, 'salt-and-fire', after.setups.get('open-evening')!)[0];
    expect(kept.room.speaks).toBe('Face 1');
    expect(facesOf(kept, [patch('Face 1', 2)], subjects)[0].offset).toBeCloseTo(-0.6);
  });
});

describe('marks', () => {
  it('the same name is the same thing; new ones are named apart', () => {
    const known = [
      { name: 'Grey card', kind: 'card' },
      { name: 'Face 1', kind: 'skin' },
    ] as const;
    expect(newName('skin', known)).toEqual({ name: 'Face 2', kind: 'skin' });
    expect(newName('card', known)).toEqual({ name: 'Grey card 2', kind: 'card' });
    expect(newName('= Grey card', known)).toEqual({ name: 'Grey card', kind: 'card' });
    const marks = withMark([], { name: 'Grey card', kind: 'card', place: PLACE });
    expect(withMark(marks, { ...marks[0], place: { ...PLACE, x: 0 } })).toHaveLength(1);
    expect(withoutMark(marks, 'Grey card')).toEqual([]);
  });

  it('only what is on both is compared', () => {
    const [camera, hero] = [[patch('card', -0.5), patch('Ola', 0)], [patch('card', 0)]];
    expect(pairsOf(camera, hero).map(({ name }) => name)).toEqual(['card']);
    const [row, ...rest] = thingRows(camera, hero);
    expect(rest).toEqual([]);
    expect(row.camera - row.hero).toBeCloseTo(-0.5);
  });
});

const evening: Evening = withEvent(
  {
    ...emptyEvening('open-evening'),
    moments: { [momentKey('hall-2', 'choir')]: { at: Date.UTC(2026, 5, 12, 17), patches: [] } },
  },
  {
    at: Date.UTC(2026, 5, 12, 18, 4, 5),
    inputId: 'hall-2',
    what: 'drift',
    kind: 'light',
    state: 'began',
    size: -0.33,
    cause: 'camera',
  },
);

const sheet = () => {
  const hall2 = roomCameras(book, 'salt-and-fire', setup)[1];
  const mixer = {
    lift: [0.01, 0, 0] as const,
    gamma: [1, 1.02, 1] as const,
    gain: [1.1, 1, 0.95] as const,
    saturation: 1.05,
    reason: '=black raised for the backdrop',
  };
  const room = {
    positions: [{ id: 'choir', name: 'Choir', marks: [], mixer, apart: { stops: 0.5, mired: 12, tint: 1 } }],
    faces: [{ id: 'ola', name: 'Ola', offset: -0.4 }],
  };
  const after = afterEdit(book, roomEdit(hall2, room, 'Choir'));
  const cameras = roomCameras(after, 'salt-and-fire', after.setups.get('open-evening')!);
  return sheetOf({ shoot: 'Salt and Fire', setup: 'Open evening', cameras, evening, at: new Date(0) });
};

describe('the room’s sheet', () => {
  it('keeps no more events than it can, the latest', () => {
    let many = emptyEvening('x');
    for (let at = 0; at < MOST_EVENTS + 5; at += 1)
      many = withEvent(many, { at, inputId: 'a', what: 'input', state: 'gone' });
    expect(many.events).toHaveLength(MOST_EVENTS);
    expect(many.events.at(-1)?.at).toBe(MOST_EVENTS + 4);
  });

  it('as CSV and JSON says who stood how and what happened when', () => {
    const csv = sheetCsv(sheet()).split('\r\n');
    expect(csv[0]).toBe('Time (UTC),Camera,Kind,What happened');
    expect(csv[1]).toContain('2026-06-12T18:04:05.000Z,Hall 2,drift');
    expect(csv[1]).toContain('Light −0.33 stop: this camera’s alone.');
    const json = JSON.parse(sheetJson(sheet()));
    expect(json).toMatchObject({ format: 'candelum-room', version: 1 });
    expect(json.cameras[1].positions[0]).toMatchObject({ name: 'Choir', mixer: { saturation: 1.05 } });
    expect(json.cameras[1].kept).toBe('2026-06-12T17:00:00.000Z');
  });

  it.runIf(spawnSync('pdftotext', ['-v']).error === undefined)('is read by pdftotext', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'room-')), 'room.pdf');
    writeFileSync(file, await sheetPdf(sheet(), {}));
    const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
    for (const said of [
      'Hall 1, the hero',
      '3200 K',
      'Position: Choir',
      'gain 1.10 / 1.00 / 0.95',
      'page 1 of',
    ])
      expect(text).toContain(said);
    expect(text).toMatch(/Light .0.33 stop/);
  });
});

describe('a camera’s recording to the hero’s', () => {
  const [hero, camera] = ['hall-1', 'hall-2'].map((id) => demoSelection('open-evening', id));
  const pair = { selections: { hero, camera } } as unknown as MatchPair;
  const solved = {
    match: { correction: { ...NO_CORRECTION, operations: [{ kind: 'exposure', stops: 0.5 }] } },
  } as unknown as SolvedMatch;

  it('its LUT moves greys by the stops that lie between them, on its own codes', () => {
    const read = parseCubeFile(cameraLut(pair, solved));
    if (!read.ok) throw new Error(read.reason);
    const run = compileLut(read.value.lut);
    const { transfer } = compileProfile(camera.profile.data);
    const { coding } = camera.camera;
    const top = maxCode(coding.bitDepth);
    for (const stops of [-2, -1, 0, 1]) {
      const v = signalToCode(transfer.encode(stopsToReflectance(stops)), coding) / top;
      const out = codeToSignal(top * run([v, v, v])[1], coding);
      expect(Math.log2(transfer.decode(out) / stopsToReflectance(stops + 0.5))).toBeCloseTo(0, 1);
    }
    expect(cameraCdl(pair, solved)).toContain('light +0.50 stop');
  });
});

describe('a board', () => {
  it('is laid in a rectangle, and its patches are read until its corners make none', () => {
    const id = boardChosen('board grid24')!;
    expect(boardChosen('skin')).toBeUndefined();
    expect(boardChosen('board none')).toBeUndefined();
    const board = boardIn(id, { x: 0.2, y: 0.2, width: 0.3, height: 0.2 });
    const marks = marksOf({ marks: [{ name: 'Wall', kind: 'neutral', place: PLACE }], board });
    expect(marks).toHaveLength(25);
    for (const { place } of marks.slice(1)) {
      expect(place.x).toBeGreaterThan(0.2);
      expect(place.x + place.width).toBeLessThan(0.5);
    }
    expect(marksOf({ marks: [], board: { ...board, id: 'unknown' } })).toEqual([]);
    const flat = board.corners.map(([x]) => [x, 0.5]) as unknown as typeof board.corners;
    expect(marksOf({ marks: [], board: { ...board, corners: flat } })).toEqual([]);
  });
});
