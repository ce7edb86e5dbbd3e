import { cdlFault, type Cdl } from '../lut/cdl.ts';
import type { Triple } from '../maths/matrix.ts';
import { failure, success, type Result } from '../result.ts';
import { printTimecode, type Timecode } from './timecode.ts';

// Edit decision lists in their common text form (after SMPTE ST 258, from memory): one line an event, comments under
// it; corrections as the ASC's comments `ASC_SOP` and `ASC_SAT` (ASC CDL 1.2, annex on EDLs, from memory).

/** A clip in a list, whole and in its own order. */
export type EdlEvent = {
  readonly clipName: string;
  /** Eight letters and digits at most; what is more is cut. */
  readonly reel: string;
  /** Where it begins; its frames count in the list's rate. */
  readonly start: Timecode;
  readonly frames: number;
  readonly cdl?: Cdl;
  /** Further comments, a line each. */
  readonly says?: readonly string[];
};

export type Edl = {
  readonly title: string;
  /** Frames that a second counts. */
  readonly perSecond: number;
  readonly events: readonly EdlEvent[];
};

/** Events that a number of three digits tells apart. */
export const MOST_EVENTS = 999;

/** One line of printable text. */
const line = (text: string, most: number) => text.replace(/\p{Cc}/gu, ' ').slice(0, most);
const reelOf = (reel: string) =>
  reel
    .toUpperCase()
    .replace(/[^A-Z0-9_]/g, '')
    .slice(0, 8) || 'AX';
const sop = ({ slope, offset, power }: Cdl) =>
  [slope, offset, power].map((v) => `(${v.map((n) => n.toFixed(6)).join(' ')})`).join('');

/** Frames from midnight to 01:00:00:00; drop frame leaves out 108 numbers of 30 in an hour (SMPTE ST 12-1). */
const hourOne = (perSecond: number, isDropFrame: boolean): number =>
  3600 * perSecond - (isDropFrame ? (108 * perSecond) / 30 : 0);

/**
 * Clips one after the other from 01:00:00:00, each whole.
 * @throws RangeError for more than 999 events: make several lists.
 */
export const writeEdl = ({ title, perSecond, events }: Edl): string => {
  if (events.length > MOST_EVENTS)
    throw new RangeError(`A list holds ${MOST_EVENTS} events, not ${events.length}.`);
  const modeOf = ({ start }: EdlEvent) => (start.isDropFrame ? 'DROP FRAME' : 'NON-DROP FRAME');
  const isDropFrame = events[0]?.start.isDropFrame ?? false;
  let mode = events[0] ? modeOf(events[0]) : 'NON-DROP FRAME';
  const lines = [`TITLE: ${line(title, 70)}`, `FCM: ${mode}`, ''];
  let record = hourOne(perSecond, isDropFrame);
  events.forEach((event, i) => {
    const { clipName, reel, start, frames, cdl, says = [] } = event;
    if (modeOf(event) !== mode) {
      mode = modeOf(event);
      lines.push(`FCM: ${mode}`);
    }
    const source = [start.frames, start.frames + frames].map((at) => printTimecode({ ...start, frames: at }));
    const recorded = [record, record + frames].map((at) =>
      printTimecode({ frames: at, perSecond, isDropFrame }),
    );
    record += frames;
    lines.push(
      [
        `${String(i + 1).padStart(3, '0')} `,
        reelOf(reel).padEnd(8),
        'V'.padEnd(5),
        'C'.padEnd(8),
        ...source,
        ...recorded,
      ].join(' '),
      `* FROM CLIP NAME: ${line(clipName, 400)}`,
      ...(cdl ? [`* ASC_SOP ${sop(cdl)}`, `* ASC_SAT ${cdl.saturation.toFixed(6)}`] : []),
      ...says.map((one) => `* ${line(one, 200)}`),
      '',
    );
  });
  return lines.join('\r\n');
};

/** What is read of an event. */
export type EdlFound = {
  readonly reel: string;
  readonly clipName?: string;
  /** Source in and out as they stand. */
  readonly source: readonly [string, string];
  readonly cdl?: Cdl;
};

const MOST_TEXT = 20_000_000;
const TIME = String.raw`(\d{2}[:;.]\d{2}[:;.]\d{2}[:;.]\d{2,3})`;
const EVENT = new RegExp(String.raw`^(\d{1,6})\s+(\S+)\s+\S+\s+.*?${TIME}\s+${TIME}\s+${TIME}\s+${TIME}\s*$`);
const SOP = /ASC_SOP\s*\(([^)]*)\)\s*\(([^)]*)\)\s*\(([^)]*)\)/i;
const SAT = /ASC_SAT\s+(\S+)/i;
const NAME = /(?:FROM )?CLIP NAME:\s*(.+?)\s*$/i;

const threeOf = (text: string): Triple | undefined => {
  const values = text
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  return values.length === 3 && values.every(Number.isFinite) ? (values as unknown as Triple) : undefined;
};

type Draft = { reel: string; clipName?: string; source: readonly [string, string]; cdl?: Cdl };
const ONE: Triple = [1, 1, 1];

/** Takes a comment under an event; what is wrong with it as a sentence, undefined where nothing is. */
const takeComment = (event: Draft, text: string): string | undefined => {
  const [name, sopText, sat] = [NAME.exec(text), SOP.exec(text), SAT.exec(text)];
  if (name) event.clipName = name[1];
  const before: Cdl = event.cdl ?? { slope: ONE, offset: [0, 0, 0], power: ONE, saturation: 1 };
  if (sopText) {
    const [slope, offset, power] = sopText.slice(1).map(threeOf);
    if (!slope || !offset || !power) return 'slope, offset and power need three numbers each';
    event.cdl = { ...before, slope, offset, power };
  }
  if (sat) event.cdl = { ...(event.cdl ?? before), saturation: Number(sat[1]) };
  return event.cdl && cdlFault(event.cdl);
};

/** Reads the events of a list with their clips' names and corrections. At most 20 MB. A failure names the line. */
export const parseEdl = (text: string): Result<readonly EdlFound[]> => {
  if (text.length > MOST_TEXT) return failure('file', 'The list is over 20 MB: split it.');
  const events: Draft[] = [];
  for (const [n, raw] of text.split(/\r\n|\r|\n/).entries()) {
    const event = EVENT.exec(raw);
    if (event) events.push({ reel: event[2], source: [event[3], event[4]] });
    else if (/^\s*\*/.test(raw) && events.length > 0) {
      const fault = takeComment(events[events.length - 1], raw);
      if (fault !== undefined)
        return failure(`line ${n + 1}`, `The correction is outside ASC CDL 1.2: ${fault}.`);
    }
  }
  return events.length > 0
    ? success(events)
    : failure('file', 'It holds no event of an edit decision list: export the list as text again.');
};
