import type { TransferDefinition } from './types.ts';

export const linear = {
  id: 'linear',
  name: 'linear',
  reference: 'scene',
  unit: '1.0 = diffuse white',
  domain: [-1, 64],
  source: 'identity',
  encode: (light: number) => light,
  decode: (signal: number) => signal,
} as const satisfies TransferDefinition;
