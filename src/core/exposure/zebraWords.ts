import { printStopsDecimal } from '../units.ts';
import { printZebra, type ZebraSetting } from './zebra.ts';

// What is said of a zebra that the camera cannot be set to, and of a remembered number. Stops over grey throughout.

/** @param what the tone, as a sentence names it: `the card` */
export const whyOutOfReach = ({ reach, level, exact }: ZebraSetting, what: string): string =>
  `The camera’s zebra ${reach === 'under' ? 'starts' : 'ends'} at ${level}; ${what} would read ${exact.toFixed(1)}.`;

type NamedZebra = { readonly name: string; readonly zebra: ZebraSetting };

/** What is dialled for a tone: its own level, or that of the tone that stands in for it. */
const dialled = ({ name, zebra }: NamedZebra): readonly string[] =>
  zebra.reach === 'within' ? [`${name} ${printZebra(zebra)}`] : zebra.instead ? dialled(zebra.instead) : [];

/**
 * Which zebras to dial at once and what to change to when, where the camera stores fewer levels than the plan wants:
 * the card and the warning while the light is set, the faces after that. Empty where it stores enough.
 */
export const zebraTurns = (
  slots: number,
  {
    card,
    faces,
    warning,
  }: { readonly card: ZebraSetting; readonly faces: readonly NamedZebra[]; readonly warning: ZebraSetting },
): string => {
  const placed = dialled({ name: 'card', zebra: card });
  const warns = dialled({ name: 'warning', zebra: warning });
  const skin = faces.flatMap(dialled);
  const wanted = [...new Set([...placed, ...warns, ...skin])];
  if (wanted.length <= slots) return '';
  const count = `${slots === 1 ? 'One zebra' : `${slots} zebras`} at a time:`;
  if (slots === 1) {
    const inTurn = [...new Set([...placed, ...skin, ...warns])];
    return `${count} ${inTurn.join(', then ')}.`;
  }
  const later = wanted.slice(slots).join(', then ');
  return `${count} ${wanted.slice(0, slots).join(' and ')}; once the exposure is set, change the first to ${later}.`;
};

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
  return `${lies}, close to a display picture’s ${printStopsDecimal(meant)}: on this profile the number may be used.`;
};
