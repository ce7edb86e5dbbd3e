import { printStopsDecimal } from '../units.ts';

// What is said of a remembered zebra number. Stops over grey throughout.

export const isTrap = (
  remembered: number,
  at: { readonly stops: number; readonly meant: number; readonly room: number },
): string => {
  const { stops, meant, room } = at;
  const belongs = `The remembered ${remembered} % for skin belongs to a display picture`;
  const there = `where it lies ${printStopsDecimal(meant)} over grey`;
  const here = `Set on this recording it lies at ${printStopsDecimal(stops)}`;
  const over = `the face comes out ${printStopsDecimal(stops - meant)} stops over`;
  const left = room < 1 ? 'at the edge of clipping' : `with ${room.toFixed(1)} stops left to the clip`;
  return `${belongs}, ${there}. ${here}: ${over}, ${left}.`;
};

export const isNoTrap = (remembered: number, stops: number, meant: number): string => {
  const lies = `The remembered ${remembered} % for skin lies ${printStopsDecimal(stops)} over grey here`;
  return `${lies}, close to a display picture’s ${printStopsDecimal(meant)}: no trap on this profile.`;
};
