import { added, asOwn, gone, turned, type Owned } from './owned.ts';

/** A LUT and the text of its file; monitors that carry it show the computed picture without it. */
export const luts: Owned<'luts'> = {
  table: 'luts',
  hasText: true,
  nameOf: ({ name }) => name,
  renamed: (lut, name) => ({ ...lut, name }),
  copy: (_book, lut, { lutTexts }, make) => {
    const id = make.id();
    return [
      added('luts', { ...asOwn(lut), id, name: make.name }),
      ...lutTexts.map(({ text }) => added('lutTexts', { id, text })),
    ];
  },
  removal: (book, lut, { lutTexts }) => {
    const off = (on: Readonly<Record<string, string>>) =>
      Object.fromEntries(Object.entries(on).filter(([, id]) => id !== lut.id));
    const carries = (on: Readonly<Record<string, string>> = {}) => Object.values(on).includes(lut.id);
    return [
      ...gone('luts', [lut]),
      ...gone('lutTexts', lutTexts),
      ...turned(
        'plans',
        [...book.plans.values()].filter(({ monitorLuts }) => carries(monitorLuts)),
        (plan) => ({ ...plan, monitorLuts: off(plan.monitorLuts ?? {}) }),
      ),
      ...turned(
        'cameras',
        [...book.cameras.values()].filter(({ starts }) => carries(starts?.monitorLuts)),
        (camera) => ({
          ...camera,
          starts: { ...camera.starts, monitorLuts: off(camera.starts?.monitorLuts ?? {}) },
        }),
      ),
    ];
  },
  without: 'will show the computed picture',
};
