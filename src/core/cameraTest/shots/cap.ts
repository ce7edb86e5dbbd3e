import type { ListBasis, ShotKind } from '../types.ts';
import { firstBase, rising, shotOf } from './ground.ts';

/** ISO of a list that lies nearest to one. */
const nearIso = (isos: readonly number[], iso: number) =>
  isos.reduce((a, b) => (Math.abs(Math.log2(b / iso)) < Math.abs(Math.log2(a / iso)) ? b : a));

/** Base, one and two stops over it; a second base, and the step under it, where it is noisiest. */
const capIsos = ({ camera, length }: ListBasis): readonly number[] => {
  const base = firstBase(camera);
  if (length === 'short') return [base];
  if (length === 'thorough') return rising(camera.isos);
  const later = camera.baseIsos.filter((iso) => iso > base);
  const under = later.map((iso) => Math.max(...camera.isos.filter((one) => one < iso)));
  const wanted = [base, nearIso(camera.isos, 2 * base), nearIso(camera.isos, 4 * base), ...later, ...under];
  return rising(wanted.filter((iso) => camera.isos.includes(iso)));
};

export const cap: ShotKind = {
  name: 'lens cap on',
  view: 'cap',
  tells: 'black, read noise, the usable floor at each ISO',
  how: 'Cap on the lens, a cloth over the body: no light at all.',
  shots: (basis) => capIsos(basis).map((iso) => shotOf(basis, 'cap', 'cap', `cap ${iso}`, { iso })),
};
