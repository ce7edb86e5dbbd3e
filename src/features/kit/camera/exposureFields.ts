import { F_NUMBERS } from '#core/exposure/aperture.ts';
import { ISO_SPEEDS } from '#core/exposure/iso.ts';
import { turnedShutters } from '#core/exposure/shutter.ts';
import { parseNumber, parseStops } from '#core/units.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { above0, field, numbersIn, pair, rising, span, typedField, wholes, type Field } from './field.ts';

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
    label: 'Base ISO, one or two',
    span: 'anchor-half',
    print: (camera) => camera.baseIsos.join(', '),
    parse: wholes,
    says: 'Base ISO: type one or two whole numbers, such as 800, 3200',
    put: (camera, baseIsos) => ({ ...camera, baseIsos }),
  }),
  isos: typedField({
    label: 'ISO from, to',
    span: 'anchor-half',
    print: (camera) => span(camera.isos),
    parse: isoRange,
    says: 'ISO range: type the lowest and the highest, such as 100 to 12800',
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
    label: 'Extended low under ISO',
    span: 'anchor-half',
    print: (camera) => (camera.extendedUnder === undefined ? '' : String(camera.extendedUnder)),
    parse: nativeFrom,
    says: 'Extended low: type the lowest native ISO, or leave it empty',
    put: (camera, [extendedUnder]) => ({ ...camera, extendedUnder }),
  }),
  sensitivity: field<CameraRecord['sensitivity']>({
    label: 'The ISO dial moves',
    span: 'anchor-half',
    options: [
      ['gain', 'the recording (gain)'],
      ['ei', 'metering only (EI)'],
    ],
    print: (camera) => camera.sensitivity,
    put: (camera, sensitivity) => ({ ...camera, sensitivity }),
  }),
  irises: typedField({
    label: 'Iris, or one if fixed',
    span: 'anchor-half',
    print: (camera) => (camera.fixedIris === undefined ? span(camera.irises) : String(camera.fixedIris)),
    parse: irises,
    says: 'Iris: type the widest and the smallest, such as 1.4 to 22, or one number for a fixed lens',
    put: (camera, value) => ({ ...camera, ...value }),
  }),
  shutterBy: field<CameraRecord['shutterBy']>({
    label: 'Shutter set by',
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
    label: 'Its list, in ° or 1/x',
    span: 'anchor-wide',
    print: (camera) => camera.shutters.join(' '),
    parse: shuttersIn,
    says: 'Shutter: type what the dial offers, such as 90 172.8 180 or 50 100 200',
    put: (camera, shutters) => ({ ...camera, shutters }),
    check: ({ shutterBy, shutters }) =>
      shutterBy === 'angle' && shutters.some((v) => v > 360)
        ? 'Shutter: an angle ends at 360; set it by time instead.'
        : undefined,
  }),
  meterModes: field<string>({
    label: 'Meter modes',
    span: 'anchor-half',
    isWords: true,
    print: (camera) => camera.meter.modes.join(', '),
    put: (camera, text) => {
      const modes = text.split(',').map((mode) => mode.trim());
      return inMeter(camera, { modes: modes.filter(Boolean) });
    },
  }),
  meterScale: typedField({
    label: 'Its scale, ±',
    span: 'anchor-quarter',
    print: (camera) => String(camera.meter.scale),
    parse: above0,
    says: 'Meter scale: type the stops it shows either side, such as 2',
    put: (camera, scale) => inMeter(camera, { scale }),
  }),
  meterBias: typedField({
    label: 'Meter shows over by',
    span: 'anchor-quarter',
    print: (camera) => String(camera.meter.bias),
    parse: parseStops,
    says: 'Meter bias: type stops, such as 0 or +0.5',
    put: (camera, bias) => inMeter(camera, { bias }),
  }),
} as const;
