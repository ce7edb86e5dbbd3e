import { F_NUMBERS } from '#core/exposure/aperture.ts';
import { ISO_SPEEDS } from '#core/exposure/iso.ts';
import { turnedShutters } from '#core/exposure/shutter.ts';
import { parseNumber, parseStops } from '#core/units.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { above0, field, numbersIn, pair, rising, span, typedField, wholes, type Field } from './field.ts';
import { words } from '#ui/wording/kitCamera.ts';

const isoRange = (text: string): readonly [number, number] | undefined => {
  const range =
    pair(text) ?? (wholes(text)?.length === 1 ? [parseNumber(text), parseNumber(text)] : undefined);
  return range && range[0] > 0 ? [range[0], range[1]] : undefined;
};
const irises = (text: string): Pick<CameraRecord, 'irises' | 'fixedIris'> | undefined => {
  const values = numbersIn(text);
  if (values.length === 1 && values[0] > 0) return { irises: [], fixedIris: values[0] };
  const [from, to] = pair(text) ?? [];
  const isSpan = from !== undefined && to !== undefined && from > 0;
  const list = isSpan ? F_NUMBERS.filter((f) => f >= from && f <= to) : [];
  return list.length > 0 ? { irises: list, fixedIris: undefined } : undefined;
};
/** One whole ISO in a list; an empty one where nothing is typed. */
const nativeFrom = (text: string): number[] | undefined => {
  if (text.trim() === '') return [];
  const iso = parseNumber(text);
  return Number.isInteger(iso) && iso > 0 ? [iso] : undefined;
};
const inMeter = (camera: CameraRecord, part: Partial<CameraRecord['meter']>): CameraRecord => ({
  ...camera,
  meter: { ...camera.meter, ...part },
});

const shuttersIn = (text: string) => rising(text.replace(/1\//g, ' '));

/** The list of shutters in degrees as denominators of a second, and back; what cannot be read stays as it is. */
const turnedList: NonNullable<Field['turns']> = (to, { shutterBy, shutters }, fps) => {
  const list = shuttersIn(String(shutters));
  const turned: Record<string, string> = {};
  if (list && to !== shutterBy)
    turned.shutters = turnedShutters(list, to === 'angle' ? 'angle' : 'time', fps).join(' ');
  return turned;
};

export const exposureFields = {
  baseIsos: typedField({
    label: words.baseIsoOneOr,
    span: 'anchor-half',
    print: (camera) => camera.baseIsos.join(', '),
    parse: wholes,
    says: words.baseIsoTypeOne,
    put: (camera, baseIsos) => ({ ...camera, baseIsos }),
  }),
  isos: typedField({
    label: words.isoFromTo,
    span: 'anchor-half',
    print: (camera) => span(camera.isos),
    parse: isoRange,
    says: words.isoRangeTypeThe,
    put: (camera, [low, high]) => {
      const marked = ISO_SPEEDS.filter((iso) => iso >= low && iso <= high);
      const inside = camera.baseIsos.filter((base) => base >= low && base <= high);
      return { ...camera, isos: [...new Set([...marked, ...inside])].sort((a, b) => a - b) };
    },
    check: ({ baseIsos, isos }) => {
      const outside = baseIsos.find((base) => !isos.includes(base));
      return outside === undefined ? undefined : `Base ISO ${outside} lies outside ${span(isos)}.`;
    },
  }),
  extendedUnder: typedField({
    label: words.extendedLowUnderIso,
    span: 'anchor-half',
    print: (camera) => (camera.extendedUnder === undefined ? '' : String(camera.extendedUnder)),
    parse: nativeFrom,
    says: words.extendedLowTypeThe,
    put: (camera, [extendedUnder]) => ({ ...camera, extendedUnder }),
  }),
  sensitivity: field<CameraRecord['sensitivity']>({
    label: words.theIsoDialMoves,
    span: 'anchor-half',
    options: [
      ['gain', 'the recording (gain)'],
      ['ei', 'metering only (EI)'],
    ],
    print: (camera) => camera.sensitivity,
    put: (camera, sensitivity) => ({ ...camera, sensitivity }),
  }),
  irises: typedField({
    label: words.irisOrOneIf,
    span: 'anchor-half',
    print: (camera) => (camera.fixedIris === undefined ? span(camera.irises) : String(camera.fixedIris)),
    parse: irises,
    says: words.irisTypeTheWidest,
    put: (camera, value) => ({ ...camera, ...value }),
  }),
  shutterBy: field<CameraRecord['shutterBy']>({
    label: words.shutterSetBy,
    span: 'anchor-half',
    options: [
      ['angle', 'angle, °'],
      ['time', 'time, 1/x s'],
    ],
    print: (camera) => camera.shutterBy,
    put: (camera, shutterBy) => ({ ...camera, shutterBy }),
    turns: turnedList,
  }),
  shutters: typedField({
    label: words.itsListInOr,
    span: 'anchor-wide',
    print: (camera) => camera.shutters.join(' '),
    parse: shuttersIn,
    says: words.shutterTypeWhatThe,
    put: (camera, shutters) => ({ ...camera, shutters }),
    check: ({ shutterBy, shutters }) =>
      shutterBy === 'angle' && shutters.some((v) => v > 360)
        ? 'Shutter: an angle ends at 360; set it by time instead.'
        : undefined,
  }),
  meterModes: field<string>({
    label: words.meterModes,
    span: 'anchor-half',
    isWords: true,
    print: (camera) => camera.meter.modes.join(', '),
    put: (camera, text) => {
      const modes = text.split(',').map((mode) => mode.trim());
      return inMeter(camera, { modes: modes.filter(Boolean) });
    },
  }),
  meterScale: typedField({
    label: words.itsScale,
    span: 'anchor-quarter',
    print: (camera) => String(camera.meter.scale),
    parse: above0,
    says: words.meterScaleTypeThe,
    put: (camera, scale) => inMeter(camera, { scale }),
  }),
  meterBias: typedField({
    label: words.meterShowsOverBy,
    span: 'anchor-quarter',
    print: (camera) => String(camera.meter.bias),
    parse: parseStops,
    says: words.meterBiasTypeStops,
    put: (camera, bias) => inMeter(camera, { bias }),
  }),
} as const;
