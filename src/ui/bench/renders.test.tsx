// @vitest-environment happy-dom
import { NuqsTestingAdapter } from 'nuqs/adapters/testing';
import { act, Profiler, type ReactNode } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { until } from '#store/fixtures/openBooks.ts';
import { StopLadder } from '../ladder/StopLadder.tsx';
import { SetCard } from '../setCard/SetCard.tsx';
import { BenchOver } from './BenchProvider.tsx';
import { openHere } from './fixtures/services.ts';
import { useSession } from './hooks.ts';
import { FIRST_BUILD } from './session/lutWork.ts';
import { useTakeIndex } from './useTakeIndex.ts';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/plan',
}));

const drawn: Record<string, number> = {};
const Counted = ({ id, children }: { id: string; children: ReactNode }) => (
  <Profiler id={id} onRender={() => (drawn[id] = (drawn[id] ?? 0) + 1)}>
    {children}
  </Profiler>
);

/** What the log draws from: the takes of the shoot. */
const Log = () => (
  <ol>
    {useTakeIndex().facts.map(({ id }) => (
      <li key={id}>{id}</li>
    ))}
  </ol>
);
/** What shows the LUT being built. */
const Slider = () => (
  <output>{useSession(({ movingBuild }) => movingBuild?.build.saturation ?? 'rest')}</output>
);

let here = openHere();
let root: Root;
let page: HTMLElement;
const sum = () => Object.values(drawn).reduce((all, n) => all + n, 0);
const reset = () => Object.keys(drawn).forEach((id) => (drawn[id] = 0));

beforeEach(async () => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  here = openHere();
  await until(() => here.services.book.getState().status === 'ready');
  page = document.createElement('div');
  root = createRoot(page);
  await act(async () =>
    root.render(
      <NuqsTestingAdapter searchParams="?shoot=salt-and-fire&setup=furnace-mouth&camera=a-cam">
        <BenchOver services={here.services} fallback={({ status }) => status}>
          <Counted id="card">
            <SetCard />
          </Counted>
          <Counted id="ladder">
            <StopLadder />
          </Counted>
          <Counted id="log">
            <Log />
          </Counted>
          <Counted id="slider">
            <Slider />
          </Counted>
        </BenchOver>
      </NuqsTestingAdapter>,
    ),
  );
  // What comes in during an act is drawn at its end.
  for (let i = 0; i < 400 && page.querySelectorAll('li').length < 8; i += 1)
    await act(() => new Promise((resolve) => setTimeout(resolve, 5)));
  expect(page.querySelectorAll('li')).toHaveLength(8);
  // Until nothing more is drawn by itself.
  for (let before = -1; before !== sum();) {
    before = sum();
    await act(() => new Promise((resolve) => setTimeout(resolve, 60)));
  }
  reset();
});
afterEach(async () => {
  await act(async () => root.unmount());
  await here.close();
});

describe('what is drawn anew', () => {
  it('while a slider of LUTs moves: what shows it, not card, ladder or log', async () => {
    const { session } = here.services;
    for (let i = 1; i <= 10; i += 1)
      await act(async () =>
        session.luts.moveBuild('furnace-mouth:a-cam', { ...FIRST_BUILD, saturation: 1 + i / 10 }),
      );
    expect(page.querySelector('output')?.textContent).toBe('2');
    expect(drawn).toEqual({ card: 0, ladder: 0, log: 0, slider: 10 });
  });

  it('when a curve is laid across the ladder: the curve alone, not what stands round it', async () => {
    const ladder = page.querySelector('.ladder svg');
    const { session } = here.services;
    await act(async () =>
      session.luts.lay({
        name: 'out',
        points: [
          [0, 0.45],
          [6, 1],
        ],
      }),
    );
    expect(ladder?.querySelector('.ladder-laid path')?.getAttribute('d')).toMatch(/^M.*L/);
    // The ladder's own part was committed once, for the curve within it.
    expect(drawn).toMatchObject({ card: 0, log: 0, ladder: 1 });
  });

  it('when the placement moves: card and ladder', async () => {
    const { book } = here.services;
    const before = book.getState().plans.get('furnace-mouth:a-cam');
    if (!before) throw new Error('no plan');
    await act(async () => {
      await book.edit({
        label: 'Placement',
        changes: [{ table: 'plans', id: before.id, before, after: { ...before, placement: 2 } }],
      });
    });
    expect(drawn.card).toBeGreaterThan(0);
    expect(drawn.ladder).toBeGreaterThan(0);
    expect(page.querySelector('[data-cell="placement"] .cell-value')?.textContent ?? '+2').toContain('+2');
  });

  it('when a notice is told or something is being opened: none of them', async () => {
    const { session } = here.services;
    await act(async () => session.notice.tell('x', { ok: false, where: 'x', reason: 'x' }));
    await act(async () => session.notice.dismiss());
    expect(drawn).toEqual({ card: 0, ladder: 0, log: 0, slider: 0 });
  });
});
