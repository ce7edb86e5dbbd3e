// @vitest-environment happy-dom
import { NuqsTestingAdapter } from 'nuqs/adapters/testing';
import { act } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { until } from '#store/fixtures/openBooks.ts';
import { BenchOver } from './BenchProvider.tsx';
import { openHere } from './fixtures/services.ts';
import { useAnswer, type Question } from './useAnswer.ts';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/match',
}));

type Ask = Question<string>['ask'];
const Asks = ({ ask }: { ask: Ask }) => {
  const { answer, problem, busy } = useAnswer({ key: 1, ask });
  return <output>{problem ?? answer ?? (busy ? 'asking' : 'nothing')}</output>;
};

let here = openHere();
let root: Root;
let page: HTMLElement;
const thrown: unknown[] = [];
const note = (error: unknown) => thrown.push(error);

beforeEach(async () => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  process.on('unhandledRejection', note);
  here = openHere();
  await until(() => here.services.book.getState().status === 'ready');
  page = document.createElement('div');
  root = createRoot(page);
});
afterEach(async () => {
  await act(async () => root.unmount());
  process.off('unhandledRejection', note);
  thrown.length = 0;
});
const shows = (ask: Ask) =>
  act(async () =>
    root.render(
      <NuqsTestingAdapter searchParams="?shoot=salt-and-fire&setup=furnace-mouth&camera=a-cam">
        <BenchOver services={here.services} fallback={({ status }) => status}>
          <Asks ask={ask} />
        </BenchOver>
      </NuqsTestingAdapter>,
    ),
  );
const rest = () => act(() => new Promise((done) => setTimeout(done, 20)));

describe('asking', () => {
  it('a question that is cut off while it fetches is dropped without a word', async () => {
    const ask: Ask = (signal) =>
      new Promise((_, reject) => {
        signal.addEventListener('abort', () => reject(new DOMException('signal is aborted', 'AbortError')));
      });
    await shows(ask);
    expect(page.textContent).toBe('asking');
    await act(async () => root.render(null));
    await rest();
    expect(thrown).toEqual([]);
  });

  it('what throws while it asks is told in its place', async () => {
    await shows(() => Promise.reject(new TypeError('the picture could not be fetched')));
    await rest();
    expect(page.textContent).toBe('the picture could not be fetched');
    expect(thrown).toEqual([]);
  });
});
