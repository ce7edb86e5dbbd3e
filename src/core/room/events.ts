import { printSigned } from '../units.ts';
import type { DriftKind } from './drift.ts';
import { INPUT_STATES, type InputState } from './liveness.ts';
import { BANDS, type Cause } from './watch.ts';

/** What is written down of an evening; `at` in ms since 1970. */
export type RoomEvent = { readonly at: number; readonly inputId: string } & (
  | {
      readonly what: 'drift';
      readonly kind: DriftKind;
      readonly state: 'began' | 'over';
      readonly size: number;
      readonly cause: Cause;
    }
  | { readonly what: 'input'; readonly state: InputState }
  /** The moment that all is held against from now on; what stood on the camera then. */
  | { readonly what: 'kept' | 'turned' | 'mixer'; readonly says: string }
  | { readonly what: 'seen'; readonly kind: DriftKind }
  | { readonly what: 'face'; readonly says: string }
);

/** Most that are kept of an evening; the oldest go. */
export const MOST_EVENTS = 1000;

/** Whose a change is, in words. */
export const CAUSES: Readonly<Record<Cause, string>> = {
  light: 'the light’s: other inputs show it too',
  camera: 'this camera’s alone',
  unknown: 'the light’s or the camera’s: no other input tells',
};

/** `Light +0.33 stop`. */
export const sizeWords = (kind: DriftKind, size: number): string => {
  const { name, unit, digits } = BANDS[kind];
  return `${name} ${printSigned(size, digits)} ${unit}`;
};

/** An event in words, without its time and its camera. */
export const eventSays = (event: RoomEvent): string => {
  switch (event.what) {
    case 'drift': {
      const { kind, size, state, cause } = event;
      return state === 'over'
        ? `${BANDS[kind].name} is back.`
        : `${sizeWords(kind, size)}: ${CAUSES[cause]}.`;
    }
    case 'input':
      return INPUT_STATES[event.state];
    case 'kept':
      return `Moment kept. ${event.says}`.trim();
    case 'turned':
      return `Turned: ${event.says}.`;
    case 'mixer':
      return `At the desk: ${event.says}.`;
    case 'face':
      return `Face marked: ${event.says}.`;
    case 'seen':
      return `${BANDS[event.kind].name}: seen.`;
  }
};
