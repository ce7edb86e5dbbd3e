import { expect, it } from 'vitest';
import { withOptions, type LutFileOptions } from './useLutFile.ts';

const cube: LutFileOptions = {
  size: 33,
  shaped: false,
  format: 'cube',
  scale: 'signal',
  interpolation: 'tetrahedral',
};

it('a shaper makes it a CLF, and goes with any other format', () => {
  const shaped = withOptions(cube, { size: 17, shaped: true });
  expect(shaped).toEqual({ ...cube, size: 17, shaped: true, format: 'clf' });
  expect(withOptions(shaped, { format: 'cube' })).toEqual({ ...cube, size: 17 });
  expect(withOptions(shaped, { scale: 'code' })).toEqual({ ...shaped, scale: 'code' });
  expect(withOptions(shaped, { size: 65, shaped: false })).toMatchObject({ format: 'clf', shaped: false });
});
