import { compileProfile, type ProfileData, type ProfileSolution } from '#core/profile/index.ts';
import {
  guessDirection,
  profileFromCurve,
  profileFromTable,
  type CurveMeaning,
  type TableColumns,
} from '#core/profile/making.ts';
import type { GamutSpec } from '#core/colour/gamut.ts';
import { parseCube1d } from '#core/formats/cube1d.ts';
import type { SampledCurve } from '#core/profile/sampledCurve.ts';
import { ownEntry } from '#core/ownEntry.ts';
import { failure, success, type Failure, type Result } from '#core/result.ts';
import type { Coding } from '#core/signal/scale.ts';
import { parseNumber, parseStops } from '#core/units.ts';
import { onPaper, type PaperScaleId } from './scaleOptions.ts';

/** A LUT file that was opened. */
export type CurveFile = { readonly file: string; readonly curve: SampledCurve };

/** A table, or a file in its place and how the file's numbers are meant. */
export type TableFields = Pick<TableColumns, 'light'> & {
  readonly reading: PaperScaleId | 'fraction';
  readonly text: string;
  readonly direction: CurveMeaning['direction'];
  readonly unit: CurveMeaning['unit'];
  readonly grey: string;
  readonly clip: string;
  readonly curve?: CurveFile;
  /** A file that could not be read; what was there stays. */
  readonly refused?: Failure;
};

export const BLANK_TABLE: TableFields = {
  light: 'stops',
  reading: 'signalPercent',
  text: '',
  direction: 'codeToLight',
  unit: 'topCode',
  grey: '0.18',
  clip: '',
  curve: undefined,
  refused: undefined,
};

/** What a profile reads, stop by stop, as an example. */
export const tableFrom = (data: ProfileData): TableFields => {
  const profile = compileProfile(data);
  const top = Math.floor(profile.clipStops + 1e-9);
  const rows = Array.from({ length: top + 8 }, (_, i) => i - 7).map(
    (stops) => `${stops}, ${(100 * profile.signalAt(stops)).toFixed(1)}`,
  );
  return { ...BLANK_TABLE, text: rows.join('\n') };
};

/** Kinds of curve files by their ending. A further one is a row. */
const CURVE_FILES: Readonly<Record<string, () => Promise<(text: string) => Result<SampledCurve>>>> = {
  cube: () => Promise.resolve(parseCube1d),
  clf: () => import('#core/formats/clf.ts').then(({ parseClf }) => parseClf),
  xml: () => import('#core/formats/clf.ts').then(({ parseClf }) => parseClf),
};

/** Most text a pasted or dropped table may hold; more is thinned by its owner. */
const MAX_TABLE = 1_000_000;

/** A table of two columns as fields; one that is too long leaves what was there. */
export const fieldsOfText = (fields: TableFields, name: string, text: string): TableFields => {
  if (text.length <= MAX_TABLE) return { ...fields, text, curve: undefined, refused: undefined };
  const rows = text.split('\n').length;
  const refused = failure(name, `${name} holds ${rows} rows; up to 4096 are read: thin it out.`);
  return { ...fields, refused };
};

/** A dropped file as fields: a LUT by its ending, else a table. */
export const fieldsOfFile = async (fields: TableFields, name: string, text: string): Promise<TableFields> => {
  const parser = ownEntry(CURVE_FILES, name.toLowerCase().split('.').at(-1) ?? '');
  if (!parser) return fieldsOfText(fields, name, text);
  const curve = (await parser())(text);
  if (!curve.ok)
    return { ...fields, refused: failure(curve.where, `${name}, ${curve.where}: ${curve.reason}`) };
  return {
    ...fields,
    refused: undefined,
    curve: { file: name, curve: curve.value },
    direction: guessDirection(curve.value),
    unit: 'topCode',
    grey: '0.18',
    clip: '',
  };
};

const tableOnPaper = (
  text: string,
  light: TableFields['light'],
  reading: TableFields['reading'],
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  const paper = onPaper(reading, coding);
  return paper
    ? profileFromTable(text, { light, reading: paper.scale }, paper.coding, gamut)
    : profileFromTable(text, { light, reading: 'fraction' }, coding, gamut);
};

export const solveTable = (
  { text, light, reading, curve, refused, direction, unit, grey, clip }: TableFields,
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  const solved = curve
    ? profileFromCurve(
        curve.curve,
        { direction, unit, grey: parseNumber(grey), clipStops: parseStops(clip) },
        coding,
        gamut,
      )
    : tableOnPaper(text, light, reading, coding, gamut);
  if (!refused || !solved.ok) return refused ?? solved;
  return success({
    ...solved.value,
    warnings: [`${refused.reason} What was there stays.`, ...solved.value.warnings],
  });
};
