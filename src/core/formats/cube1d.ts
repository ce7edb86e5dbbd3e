import { failure, success, type Result } from '../result.ts';
import { parseCubeFile } from './cube.ts';
import { oneChannel, type SampledCurve } from '../profile/sampledCurve.ts';

/** A 1D `.cube` as one curve, for a profile; a 3D one is refused. What else is wrong is named as for any cube. */
export const parseCube1d = (text: string): Result<SampledCurve> => {
  const solid = text.search(/^LUT_3D_SIZE/m);
  if (solid >= 0)
    return failure(
      `line ${text.slice(0, solid).split('\n').length}`,
      'This is a 3D cube; a profile needs a 1D one.',
    );
  const file = parseCubeFile(text);
  if (!file.ok) return file;
  const { lut, title, lines } = file.value;
  if (lut.kind === 'cube') return failure('file', 'This is a 3D cube; a profile needs a 1D one.');
  const { curves, domain } = lut;
  const last = curves[0].length - 1;
  return success({
    title,
    x: Array.from(curves[0], (_, i) => domain.min[0] + (i / last) * (domain.max[0] - domain.min[0])),
    ...oneChannel(Array.from(curves[0], (r, i) => [r, curves[1][i], curves[2][i]])),
    rowAt: (i) => `line ${lines[i]}`,
  });
};
