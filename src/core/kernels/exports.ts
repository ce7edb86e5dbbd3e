/** What assembly/index.ts exports: pointers are byte addresses. */
export type KernelName =
  | 'luma'
  | 'toRgb'
  | 'widen'
  | 'thin'
  | 'waveform'
  | 'histogram'
  | 'vectorscope'
  | 'vectorscopeOfPlanes'
  | 'cells'
  | 'falseColour'
  | 'recorded'
  | 'lattice'
  | 'unfold'
  | 'zebra'
  | 'clear'
  | 'add';
export type KernelExports = { readonly [name in KernelName]: (...args: number[]) => void };
