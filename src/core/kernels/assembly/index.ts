// AssemblyScript: the SIMD forms of the kernels. Every pointer is a byte address in the shared memory; each function
// counts or draws exactly what its plain form does (src/core/kernels/plain.ts), in the same integers.
export { luma, vectorscope } from './colour';
export { add, clear, thin, toRgb, vectorscopeOfPlanes, widen } from './planes';
export { histogram, waveform } from './waveform';
export { cells, falseColour, recorded, zebra } from './draw';
export { lattice, unfold } from './lattice';
