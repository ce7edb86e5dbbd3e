// @vitest-environment happy-dom
import { act, Component, type ReactNode } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { later } from './later.tsx';

let root: Root;
let page: HTMLElement;
beforeEach(() => {
  vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', true);
  page = document.createElement('div');
  root = createRoot(page);
});
afterEach(async () => {
  await act(() => root.unmount());
  vi.unstubAllGlobals();
});

const Name = ({ name }: { name: string }) => <b>{name}</b>;

class Boundary extends Component<{ children: ReactNode }, { words?: string }> {
  override state: { words?: string } = {};
  static getDerivedStateFromError = (error: Error) => ({ words: error.message });
  override render() {
    return this.state.words ?? this.props.children;
  }
}

it('leaves what is around it as it is until its part is there', async () => {
  let come: (part: typeof Name) => void = () => undefined;
  const Part = later(() => new Promise<typeof Name>((resolve) => (come = resolve)));
  const draw = (name: string) =>
    act(async () =>
      root.render(
        <p>
          around <Part name={name} />
        </p>,
      ),
    );
  await draw('first');
  const around = page.firstElementChild!;
  expect(around.outerHTML).toBe('<p>around </p>');
  await act(async () => come(Name));
  expect(page.firstElementChild).toBe(around);
  expect(around.outerHTML).toBe('<p>around <b>first</b></p>');
  await draw('second');
  expect(around.outerHTML).toBe('<p>around <b>second</b></p>');
});

it('draws at once what was fetched before, and fetches once', async () => {
  const load = vi.fn(async () => Name);
  const Part = later(load);
  await Promise.all([Part.fetch(), Part.fetch()]);
  act(() => root.render(<Part name="there" />));
  expect(page.textContent).toBe('there');
  expect(load).toHaveBeenCalledTimes(1);
});

it('tells the nearest boundary what could not be fetched, and fetches again when drawn anew', async () => {
  const quiet = vi.spyOn(console, 'error').mockImplementation(() => undefined);
  const load = vi.fn(async () => Name).mockRejectedValueOnce(new Error('no connection'));
  const Part = later(load);
  const draw = (key: string) =>
    act(async () =>
      root.render(
        <Boundary key={key}>
          <Part name="at last" />
        </Boundary>,
      ),
    );
  await draw('once');
  expect(page.textContent).toBe('no connection');
  await draw('again');
  expect(page.textContent).toBe('at last');
  quiet.mockRestore();
});

it('a fetch before it is needed that fails is no matter', async () => {
  const load = vi.fn(async () => Name).mockRejectedValueOnce(new Error('no connection'));
  const Part = later(load);
  await expect(Part.fetch()).rejects.toThrow('no connection');
  await act(async () => root.render(<Part name="there" />));
  expect(page.textContent).toBe('there');
});
