// @vitest-environment happy-dom
import { act } from 'react';
import { createRoot } from 'react-dom/client';
import { afterEach, expect, it, vi } from 'vitest';
import { openHere } from './fixtures/services.ts';
import { ServicesContext } from './hooks.ts';
import { useRules } from './useRules.ts';

vi.mock('./judgement.ts', () => {
  throw new Error('no connection');
});

const here = openHere();
const root = createRoot(document.createElement('div'));
afterEach(async () => {
  await act(async () => root.unmount());
  await here.close();
});

const Judged = ({ opening }: { opening?: number }) => {
  useRules(opening);
  return null;
};

it('rules that cannot be fetched are told where a frame waits for them, not before', async () => {
  vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', true);
  const draw = (opening?: number) =>
    act(async () =>
      root.render(
        <ServicesContext value={here.services}>
          <Judged opening={opening} />
        </ServicesContext>,
      ),
    );
  const { session } = here.services;
  await draw();
  expect(session.getState().failure).toBeUndefined();
  await draw(1);
  await vi.waitFor(() => expect(session.getState().failure?.name).toBe('Verdicts'));
  expect(session.getState().failure?.reason).toMatch(
    /^The rules could not be fetched: .+ Load the page again\.$/,
  );
});
