import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of the second card of a set-up, in Plan. */
export const words = {
  title: 'Sun and cloud',
  note: 'two cards of one set-up',
  says: said(
    'Clouds that come and go take two stops or more and turn the light blue.',
    'Keep a card for each: one key switches all settings on the spot.',
  ),
  own: 'These settings are for',
  other: 'The other card is for',
  sun: 'sun',
  cloud: 'cloud',
  falls: 'Light falls by, stops',
  typeFalls: 'Type how far the light falls, -8 to 8 stops',
  kelvin: 'Its colour, K',
  typeKelvin: 'Type a Kelvin, 1000 to 20000',
  make: 'Make the other card',
  made: 'second card',
  now: (own: Said) => `Dialled in: the card for ${own}.`,
  would: (name: Said, settings: Said) => `For ${name}: ${settings}.`,
  aside: (name: Said, settings: Said) => `Aside, for ${name}: ${settings}.`,
  switchTo: (name: Said) => `Switch to ${name} (K)`,
  switchedTo: (name: Said) => `Card for ${name}`,
  forget: 'Forget the card aside',
  forgotten: 'one card again',
  left: (stops: Said) => `${stops} are left over: switch to it and solve them by ISO or light.`,
} as const;
