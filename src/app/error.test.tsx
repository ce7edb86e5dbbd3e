// @vitest-environment happy-dom
import { act } from 'react';
import { createRoot } from 'react-dom/client';
import { afterEach, expect, it, vi } from 'vitest';
import StoppedHere from './error.tsx';

Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });

let asked = 'setup=furnace-mouth';
vi.mock('next/navigation', () => ({ useSearchParams: () => new URLSearchParams(asked) }));
vi.mock('#ui/shell/Stopped.tsx', () => ({ Stopped: ({ error }: { error: Error }) => error.message }));

const root = createRoot(document.createElement('div'));
afterEach(() => act(() => root.unmount()));

it('a screen that stopped is tried again with another set-up, not before', () => {
  const reset = vi.fn();
  const show = () => act(() => root.render(<StoppedHere error={new Error('no light')} reset={reset} />));
  show();
  show();
  expect(reset).not.toHaveBeenCalled();
  asked = 'setup=dunes';
  show();
  expect(reset).toHaveBeenCalledTimes(1);
});
