import { printStopsDecimal } from '../units.ts';
import type { Figure, FigureUnit } from './tell/types.ts';

const trueMinus = (text: string) => text.replace('-', '\u2212');
const plain = (digits: number, unit: string) => (value: number) =>
  trueMinus(`${value.toFixed(digits)}${unit}`);
const share = (value: number) => trueMinus(`${(100 * value).toFixed(1)} %`);
const signed = (digits: number, unit: string) => (value: number) =>
  `${printStopsDecimal(value, digits)}${unit}`;

/** How each unit is printed: the number, and how exactly. A further one is a row. */
const UNITS: Readonly<
  Record<FigureUnit, { readonly print: (value: number) => string; readonly doubt: (value: number) => string }>
> = {
  stops: { print: signed(2, ''), doubt: plain(2, ' stop') },
  percent: { print: plain(1, ' %'), doubt: plain(1, ' %') },
  share: { print: share, doubt: share },
  codes: { print: plain(0, ''), doubt: plain(0, ' codes') },
  bits: { print: plain(0, ' bit'), doubt: plain(0, ' bit') },
  kelvin: { print: plain(0, ' K'), doubt: plain(0, ' K') },
  mired: { print: signed(1, ' mired'), doubt: plain(1, ' mired') },
  tint: { print: signed(1, ' points'), doubt: plain(1, ' points') },
  electrons: {
    print: (value) => (value >= 100 ? value.toFixed(0) : value.toFixed(1)) + ' e',
    doubt: plain(1, ' e'),
  },
  iso: { print: plain(0, ''), doubt: plain(0, '') },
  hertz: { print: plain(0, ' Hz'), doubt: plain(0, ' Hz') },
  degrees: { print: signed(1, '°'), doubt: plain(1, '°') },
  yes: { print: (value) => (value > 0 ? 'yes' : 'no'), doubt: plain(0, '') },
  chromaticity: { print: plain(3, ''), doubt: plain(3, '') },
  deltaE: { print: plain(1, ''), doubt: plain(1, '') },
  times: { print: plain(2, ' times'), doubt: plain(2, '') },
};

/** `+6.02 ±0.05 stop`. */
export const printFigure = ({
  value,
  unit,
  plusMinus,
}: Pick<Figure, 'value' | 'unit' | 'plusMinus'>): string => {
  const { print, doubt } = UNITS[unit];
  return plusMinus === undefined ? print(value) : `${print(value)} ±${doubt(plusMinus)}`;
};
