/** Seconds from 1970 to 2001, from where a Matroska date counts nanoseconds (RFC 9559, section 5.1.2.11). */
const FROM_2001 = 978_307_200;
const DATE_UTC = [0x44, 0x61, 0x88];

/**
 * Start of a Matroska or WebM by its DateUTC, seconds since 1970; undefined where the head of the file has none that
 * lies between 2001 and 2101.
 * @param head the first kilobytes of the file
 */
export const mkvStartedAt = (head: Uint8Array): number | undefined => {
  const view = new DataView(head.buffer, head.byteOffset, head.byteLength);
  for (let at = 0; at + 11 <= head.length; at += 1) {
    if (!DATE_UTC.every((byte, i) => head[at + i] === byte)) continue;
    const seconds = Number(view.getBigInt64(at + 3) / 1_000_000_000n);
    if (seconds > 0 && seconds < 100 * 31_557_600) return seconds + FROM_2001;
  }
  return undefined;
};
