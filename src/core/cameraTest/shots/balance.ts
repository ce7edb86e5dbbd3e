import type { ShotKind } from '../types.ts';
import { dialled, plainSettings, shotOf } from './ground.ts';

/** A step of the dial that is seen for certain, mired; points of tint. Our own choice. */
const STEP_MIRED = 30;
const STEP_TINT = 10;

export const balance: ShotKind = {
  name: 'balance dial',
  view: 'card',
  tells: 'how the body leans, what a step of the dial does',
  how: 'Automatic balance off; dial the Kelvin of the light, then one step to each side.',
  shots: (basis) => {
    if (basis.length === 'short') return [];
    const { kelvin } = plainSettings(basis);
    const turned = (mired: number) => dialled(basis.camera, 1e6 / (1e6 / kelvin + mired));
    return [
      ['light', kelvin],
      ['lower', turned(STEP_MIRED)],
      ['higher', turned(-STEP_MIRED)],
    ].map(([name, k]) => shotOf(basis, 'balance', 'card', `balance ${name}`, { kelvin: Number(k) }));
  },
};

export const tint: ShotKind = {
  name: 'tint dial',
  view: 'card',
  tells: 'what a step of tint does, and whether it goes the way the menu says',
  how: 'Dial the Kelvin of the light again; tint to plus, then to minus.',
  shots: (basis) => {
    const { tintRange, tintStep } = basis.camera;
    const step = Math.min(tintRange[1], Math.max(tintStep, Math.round(STEP_TINT / tintStep) * tintStep));
    if (basis.length === 'short' || !(step > 0)) return [];
    return [
      shotOf(basis, 'tint', 'card', 'tint plus', { tint: step }),
      shotOf(basis, 'tint', 'card', 'tint minus', { tint: Math.max(tintRange[0], -step) }),
    ];
  },
};
