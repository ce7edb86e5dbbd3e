// Before `npm run dev` and `npm run build`: the SIMD kernels are compiled when their sources are newer, so
// that nobody runs the plain form without knowing.
import { buildKernels } from './ground.mjs';

buildKernels();
