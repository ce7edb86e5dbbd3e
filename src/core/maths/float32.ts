/** Whether a number is finite also as the 32-bit float (IEEE 754) that tables of LUTs are kept in. */
export const isFloat32 = (value: number): boolean => Number.isFinite(Math.fround(value));
