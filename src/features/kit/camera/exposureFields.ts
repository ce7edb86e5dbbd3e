import { F_NUMBERS } from '#core/exposure/aperture.ts';
import { ISO_SPEEDS } from '#core/exposure/iso.ts';
import { failure, success } from '#core/result.ts';
import { parseStops } from '#core/units.ts';
import { typed } from '../ways/way.ts';
import {
  above0,
  choosing,
  numbersIn,
  pair,
  reading,
  rising,
  span,
  wholes,
  type Draft,
  type Field,
} from './field.ts';

const isoRange = (text: string) => {
  const range =
    pair(text) ?? (wholes(text)?.length === 1 ? ([typed(text), typed(text)] as const) : undefined);
  return range && range[0] > 0 ? range : undefined;
};
const irises = (text: string) => {
  const values = numbersIn(text);
  if (values.length === 1 && values[0] > 0) return { irises: [], fixedIris: values[0] };
  const [from, to] = pair(text) ?? [];
  const list = from === undefined || to === undefined ? [] : F_NUMBERS.filter((f) => f >= from && f <= to);
  return list.length > 0 ? { irises: list, fixedIris: undefined } : undefined;
};
const inMeter = (draft: Draft, part: Partial<Draft['meter']>): Draft => ({
  ...draft,
  meter: { ...draft.meter, ...part },
});

export const exposureFields = {
  baseIsos: {
    label: 'Base ISO, one or two',
    span: 'anchor-half',
    print: (camera) => camera.baseIsos.join(', '),
    read: reading('base ISO', 'type one or two whole numbers, such as 800, 3200', wholes, (d, baseIsos) => ({
      ...d,
      baseIsos,
    })),
  },
  isos: {
    label: 'ISO from, to',
    span: 'anchor-half',
    print: (camera) => span(camera.isos),
    read: (text, draft) => {
      const range = isoRange(text);
      if (!range)
        return failure('ISO range', 'ISO range: type the lowest and the highest, such as 100 to 12800.');
      const outside = draft.baseIsos.find((base) => base < range[0] || base > range[1]);
      if (outside !== undefined)
        return failure('base ISO', `Base ISO ${outside} lies outside ${range[0]} to ${range[1]}.`);
      const marked = ISO_SPEEDS.filter((iso) => iso >= range[0] && iso <= range[1]);
      return success({ ...draft, isos: [...new Set([...marked, ...draft.baseIsos])].sort((a, b) => a - b) });
    },
  },
  extendedUnder: {
    label: 'Extended low under ISO',
    span: 'anchor-half',
    print: (camera) => (camera.extendedUnder === undefined ? '' : String(camera.extendedUnder)),
    read: (text, draft) => {
      const iso = typed(text);
      if (text.trim() === '') return success({ ...draft, extendedUnder: undefined });
      return Number.isInteger(iso) && iso > 0
        ? success({ ...draft, extendedUnder: iso })
        : failure('extended low', 'Extended low: type the lowest native ISO, or leave it empty.');
    },
  },
  sensitivity: {
    label: 'The ISO dial moves',
    span: 'anchor-half',
    options: [
      ['gain', 'the recording (gain)'],
      ['ei', 'metering only (EI)'],
    ],
    print: (camera) => camera.sensitivity,
    read: choosing((d, value) => ({ ...d, sensitivity: value as Draft['sensitivity'] })),
  },
  irises: {
    label: 'Iris, or one if fixed',
    span: 'anchor-half',
    print: (camera) => (camera.fixedIris === undefined ? span(camera.irises) : String(camera.fixedIris)),
    read: reading(
      'iris',
      'type the widest and the smallest, such as 1.4 to 22, or one number for a fixed lens',
      irises,
      (d, value) => ({ ...d, ...value }),
    ),
  },
  shutterBy: {
    label: 'Shutter set by',
    span: 'anchor-half',
    options: [
      ['angle', 'angle, °'],
      ['time', 'time, 1/x s'],
    ],
    print: (camera) => camera.shutterBy,
    read: choosing((d, value) => ({ ...d, shutterBy: value as Draft['shutterBy'] })),
  },
  shutters: {
    label: 'Its list, in ° or 1/x',
    span: 'anchor-wide',
    print: (camera) => camera.shutters.join(' '),
    read: (text, draft) => {
      const list = rising(text.replace(/1\//g, ' '));
      if (!list)
        return failure('shutter', 'Shutter: type what the dial offers, such as 90 172.8 180 or 50 100 200.');
      return draft.shutterBy === 'angle' && list.some((v) => v > 360)
        ? failure('shutter', 'Shutter: an angle ends at 360; set it by time instead.')
        : success({ ...draft, shutters: list });
    },
  },
  meterModes: {
    label: 'Meter modes',
    span: 'anchor-half',
    print: (camera) => camera.meter.modes.join(', '),
    read: choosing((d, text) =>
      inMeter(d, {
        modes: text
          .split(',')
          .map((m) => m.trim())
          .filter(Boolean),
      }),
    ),
  },
  meterScale: {
    label: 'Its scale, ±',
    span: 'anchor-quarter',
    print: (camera) => String(camera.meter.scale),
    read: reading('meter scale', 'type the stops it shows either side, such as 2', above0, (d, scale) =>
      inMeter(d, { scale }),
    ),
  },
  meterBias: {
    label: 'shows over by',
    span: 'anchor-quarter',
    print: (camera) => String(camera.meter.bias),
    read: reading('meter bias', 'type stops, such as 0 or +0.5', parseStops, (d, bias) =>
      inMeter(d, { bias }),
    ),
  },
} as const satisfies Record<string, Field>;
