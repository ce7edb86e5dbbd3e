/** A typed number; NaN when it is none. Decimal comma and true minus are read. */
export const typed = (text: string): number => {
  const plain = text.trim().replace(',', '.').replace('\u2212', '-');
  return plain === '' ? Number.NaN : Number(plain);
};
