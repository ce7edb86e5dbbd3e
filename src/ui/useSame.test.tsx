// @vitest-environment happy-dom
import { act } from 'react';
import { createRoot } from 'react-dom/client';
import { afterEach, expect, it } from 'vitest';
import { useSame } from './useSame.ts';

Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });

const seen: unknown[] = [];
const Shows = ({ value }: { value: unknown }) => {
  seen.push(useSame(value));
  return null;
};

let root = createRoot(document.createElement('div'));
afterEach(() => {
  act(() => root.unmount());
  root = createRoot(document.createElement('div'));
  seen.length = 0;
});
const show = (value: unknown) => {
  act(() => root.render(<Shows value={value} />));
  return seen.at(-1);
};

it('keeps the first of deeply equal values, and takes one that differs', () => {
  const first = { axis: [0, 100], region: undefined };
  expect(show(first)).toBe(first);
  expect(show({ axis: [0, 100], region: undefined })).toBe(first);
  const other = { axis: [0, 110], region: undefined };
  expect(show(other)).toBe(other);
  expect(show(first)).toBe(first);
  expect(show(undefined)).toBeUndefined();
});

it('keeps functions by identity, and never calls them', () => {
  const [a, b] = [() => expect.fail('called'), () => expect.fail('called')];
  expect(show(a)).toBe(a);
  expect(show(b)).toBe(b);
});
