/** Bytes as base 64 (RFC 4648). */
export const toBase64 = (bytes: Uint8Array): string => {
  let letters = '';
  for (const byte of bytes) letters += String.fromCharCode(byte);
  return btoa(letters);
};

/** Bytes of base 64; undefined where the text is none. */
export const fromBase64 = (text: string): Uint8Array<ArrayBuffer> | undefined => {
  try {
    return Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));
  } catch {
    return undefined;
  }
};
