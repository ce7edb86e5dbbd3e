type Size = { readonly width: number; readonly height: number };

// Why a picture is not opened, where the sentence is longer than a line.

const sized = ({ width, height }: Size) => `${width} x ${height}`;

export const tooManyPixels = (size: Size, most: number): string =>
  `The picture is ${sized(size)}; up to ${most / 1e6} million pixels are read: scale it down.`;

export const cannotComeFrom = (size: Size, bytes: number, kind: string): string => {
  const cannot = `A picture of ${sized(size)} cannot come out of ${bytes} bytes`;
  return `${cannot}: the ${kind} is cut short, copy it again.`;
};

export const wrongSamples = (bits: number, isFloat: boolean): string => {
  const holds = `The TIFF holds ${bits}-bit ${isFloat ? 'floating ' : ''}samples`;
  return `${holds}; 8 or 16 whole bits hold a camera’s codes.`;
};
