import type { ShotKind } from '../types.ts';
import { shotOf } from './ground.ts';

const VIEWS = ['card', 'white', 'black'] as const;

export const meter: ShotKind = {
  name: 'meter at 0',
  view: 'card',
  tells: 'what the camera’s meter shows too much, by mode and by subject',
  how: 'Let it fill the picture, set shutter or iris until the meter shows 0: the card, white paper, black cloth.',
  shots: (basis) => {
    const { meterModes } = basis.camera;
    if (basis.length === 'short' || meterModes.length === 0) return [];
    const modes = basis.length === 'thorough' ? meterModes : meterModes.slice(0, 1);
    return modes.flatMap((meterMode) =>
      VIEWS.map((view) => shotOf(basis, 'meter', view, `meter ${meterMode} ${view}`, { meterMode })),
    );
  },
};
