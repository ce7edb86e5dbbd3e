import { writeCc } from '#core/formats/cdl.ts';
import { writeCube } from '#core/formats/cube.ts';
import { onScale } from '#core/lut/cubeScale.ts';
import { sampleLattice } from '#core/lut/lattice.ts';
import { correctionCdl, onCodes } from '#core/match/asCdl.ts';
import { printFNumber } from '#core/exposure/aperture.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { eventSays } from '#core/room/events.ts';
import { printSigned } from '#core/units.ts';
import { rowsCsv } from '#store/exports/rowsCsv.ts';
import { panelOf } from '#store/records/panel.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { momentKey, type Evening } from '#ui/bench/room/roomBox.ts';
import { startFlow } from '#ui/paper/flow.ts';
import { newDocument } from '#ui/paper/sheet.ts';
import { PAGE_TOOLS } from '#ui/paper/tools.ts';
import { words } from '#ui/wording/roomSheet.ts';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import { responseWords } from '../cameras/panelModel.ts';
import type { MatchPair } from '../cameras/useMatchPair.ts';
import type { RoomCamera } from './roomModel.ts';

/** The room as it is handed over: plain data, the same for paper, CSV and JSON. */
export type RoomSheet = {
  readonly shoot: string;
  readonly setup: string;
  readonly at: Date;
  readonly cameras: readonly {
    readonly name: string;
    readonly isHero: boolean;
    /** What it is set to: name and value. */
    readonly settings: readonly (readonly [string, string])[];
    readonly controls: readonly { readonly name: string; readonly at: number; readonly step: string }[];
    readonly positions: readonly {
      readonly name: string;
      readonly marks: readonly string[];
      readonly mixer?: NonNullable<RoomCamera['position']['mixer']>;
      readonly apart?: NonNullable<RoomCamera['position']['apart']>;
    }[];
    readonly faces: readonly { readonly name: string; readonly offset: number }[];
    /** When the moment was kept that it is held against, ISO 8601. */
    readonly kept?: string;
  }[];
  readonly events: readonly {
    readonly at: string;
    readonly camera: string;
    readonly what: string;
    readonly says: string;
  }[];
};

const isoOf = (ms: number) => new Date(ms).toISOString();

const settingsOf = ({ selection: { plan, profile } }: RoomCamera): [string, string][] => [
  [words.profile, profile.name],
  [words.placement, printSigned(plan.placement, 2)],
  [words.iso, String(plan.iso)],
  [words.balance, `${plan.kelvin} K, ${printSigned(plan.tint, 0)}`],
  [words.shutter, printShutter(plan.shutter)],
  [words.iris, printFNumber(plan.iris)],
  [words.nd, words.stops(plan.ndStops)],
];

const keptOf = ({ id, position }: RoomCamera, { moments }: Evening) => {
  const moment = moments[momentKey(id, position.id)];
  return moment ? { kept: isoOf(moment.at) } : {};
};

/** Everything the sheet says. */
export const sheetOf = ({
  shoot,
  setup,
  cameras,
  evening,
  at,
}: {
  readonly shoot: string;
  readonly setup: string;
  readonly cameras: readonly RoomCamera[];
  readonly evening: Evening;
  readonly at: Date;
}): RoomSheet => ({
  shoot,
  setup,
  at,
  cameras: cameras.map((one) => ({
    name: one.camera.name,
    isHero: one.isHero,
    settings: settingsOf(one),
    controls: panelOf(one.camera).map(({ name, at: stands, response }) => ({
      name,
      at: stands,
      step: response ? responseWords(response) : words.notLearnt,
    })),
    positions: one.room.positions.map(({ name, marks, mixer, apart }) => ({
      name,
      marks: marks.map((mark) => mark.name),
      ...(mixer ? { mixer } : {}),
      ...(apart ? { apart } : {}),
    })),
    faces: (one.room.faces ?? []).map(({ name, offset }) => ({ name, offset })),
    ...keptOf(one, evening),
  })),
  events: evening.events.map((event) => ({
    at: isoOf(event.at),
    camera: cameras.find(({ id }) => id === event.inputId)?.camera.name ?? event.inputId,
    what: event.what,
    says: eventSays(event),
  })),
});

/** The evening's log, a line an event. */
export const sheetCsv = ({ events }: Pick<RoomSheet, 'events'>): string =>
  rowsCsv(
    [
      { name: words.csvTime, of: ({ at }) => at },
      { name: words.csvCamera, of: ({ camera }) => camera },
      { name: words.csvWhat, of: ({ what }) => what },
      { name: words.csvSays, of: ({ says }) => says },
    ],
    events,
  );

/** All of it for a machine. */
export const sheetJson = (sheet: RoomSheet): string =>
  `${JSON.stringify({ format: 'candelum-room', version: 1, ...sheet, at: sheet.at.toISOString() }, undefined, 2)}\n`;

const channels = (values: readonly number[]) => values.map((v) => v.toFixed(2)).join(' / ');

/** The sheet for paper, black on white, A4. */
export const sheetPdf = async (sheet: RoomSheet, tools = PAGE_TOOLS): Promise<Uint8Array<ArrayBuffer>> => {
  const { shoot, setup, at, cameras, events } = sheet;
  const made = await newDocument(`${shoot}: ${setup}`, at);
  const flow = startFlow(made, 'a4', `${shoot} · ${setup} · ${words.title}`, tools.draw);
  await flow.text(`${words.title}: ${setup}`, { size: 16, font: 'bold' });
  await flow.text(`${shoot} · ${at.toISOString().slice(0, 16).replace('T', ' ')} UTC`, { size: 9 });
  for (const camera of cameras) {
    await flow.keep(120);
    flow.space(10);
    const title = camera.isHero ? `${camera.name}, ${words.hero}` : camera.name;
    await flow.text(title, { size: 12, font: 'bold' });
    for (const [name, value] of camera.settings)
      await flow.row([{ text: name }, { text: value, bold: true }], [25, 75], 9);
    if (camera.controls.length > 0) {
      flow.space(4);
      const head = [words.control, words.standsAt, words.step];
      const shares = [30, 15, 55];
      await flow.row(
        head.map((text) => ({ text, bold: true })),
        shares,
        9,
      );
      for (const { name, at: stands, step } of camera.controls)
        await flow.row([{ text: name }, { text: printSigned(stands, 0) }, { text: step }], shares, 9);
    }
    for (const { name, marks, mixer, apart } of camera.positions) {
      flow.space(4);
      await flow.text(`${words.position}: ${name}`, { size: 10, font: 'bold' });
      if (marks.length > 0) await flow.text(words.marks(marks.join(', ')), { size: 9 });
      if (apart)
        await flow.text(
          words.apart(printSigned(apart.stops, 2), printSigned(apart.mired, 0), printSigned(apart.tint, 1)),
          { size: 9 },
        );
      if (mixer) {
        const { lift, gamma, gain, saturation, reason } = mixer;
        await flow.text(words.desk(channels(lift), channels(gamma), channels(gain), saturation.toFixed(2)), {
          size: 9,
        });
        if (reason) await flow.text(words.because(reason), { size: 9 });
      }
    }
    if (camera.faces.length > 0)
      await flow.text(
        words.faces(camera.faces.map(({ name, offset }) => `${name} ${printSigned(offset, 2)}`).join(', ')),
        { size: 9 },
      );
  }
  await flow.keep(80);
  flow.space(12);
  await flow.text(words.log, { size: 12, font: 'bold' });
  if (events.length === 0) await flow.text(words.nothing, { size: 9 });
  for (const event of events)
    await flow.text(`${event.at.slice(11, 19)}   ${event.camera}: ${event.says}`, { size: 8.5 });
  flow.space(8);
  await flow.text(words.caution, { size: 8.5 });
  await flow.close((page, pages) => words.foot(setup, page, pages));
  return (await made.document.save()) as Uint8Array<ArrayBuffer>;
};

const SIZE = 33;
const nameOf = ({ selections: { camera, hero } }: MatchPair) =>
  `${camera.camera.name} to ${hero.camera.name}`;

/** What brings a camera's recording to the hero's, as a CDL on its codes; what it misses is said in the file. */
export const cameraCdl = (pair: MatchPair, { match }: SolvedMatch): string => {
  const { profile, camera } = pair.selections.camera;
  const { cdl, worstCodes } = correctionCdl(match.correction, profile.data, 'code', camera.coding);
  const note = `${correctionWords(match.correction).join(', ')}. ${words.cdlMisses(worstCodes.toFixed(1))}`;
  return writeCc({ id: nameOf(pair), cdl, descriptions: [note] });
};

/** The same as a LUT: all of it. */
export const cameraLut = (pair: MatchPair, { match }: SolvedMatch): string => {
  const { profile, camera } = pair.selections.camera;
  const run = onCodes(match.correction, profile.data);
  const lattice = sampleLattice(SIZE, onScale(run, 'code', camera.coding));
  return writeCube(lattice, {
    title: nameOf(pair),
    comments: [words.inAndOut(profile.name), `${correctionWords(match.correction).join(', ')}.`],
  });
};
