'use client';

/** Hands a file to the browser. */
export const download = (name: string, content: string | Uint8Array<ArrayBuffer>, type: string): void =>
  downloadParts(name, [content], type);

/** The same of a file that came in parts. */
export const downloadParts = (
  name: string,
  parts: readonly (string | Uint8Array<ArrayBuffer>)[],
  type: string,
): void => {
  downloadBlob(name, new Blob([...parts], { type }));
};

/** The same of a file that is there already. */
export const downloadBlob = (name: string, blob: Blob): void => {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
};

/** Letters, digits and dashes of a name, for a file's. */
export const slug = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .normalize('NFC')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '') || 'untitled';
