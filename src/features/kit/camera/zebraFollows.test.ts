import { expect, it } from 'vitest';
import { demoCameras } from '#store/demo/cameras.ts';
import { fieldOf } from './fields.ts';

it('whether the view assist follows is asked, and not knowing leaves no field behind', () => {
  const { print, put } = fieldOf('zebraFollows');
  const [camera] = demoCameras;
  const set = (picked: string, before = camera) => put(before, picked as never);
  expect(print(camera)).toBe('');
  for (const answer of ['yes', 'no']) expect(print(set(answer))).toBe(answer);
  expect('follows' in set('', set('no')).zebra).toBe(false);
});
