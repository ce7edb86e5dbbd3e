const at = (bytes: Uint8Array, place: number, values: readonly number[]): boolean =>
  values.every((value, i) => bytes[place + i] === value);
const ascii = (text: string) => Array.from(text, (letter) => letter.charCodeAt(0));

/** Length of a packet of an MPEG transport stream (ISO/IEC 13818-1), and with a time stamp before it. */
const TS_PACKET = 188;
const STAMPED_PACKET = 192;
const SYNC = 0x47;

/** Containers by their first bytes that only ffmpeg takes apart here. */
const CONTAINERS: readonly ((head: Uint8Array) => boolean)[] = [
  // MXF: the key of a partition pack (SMPTE ST 377-1).
  (head) => at(head, 0, [0x06, 0x0e, 0x2b, 0x34, 0x02, 0x05, 0x01, 0x01]),
  (head) => at(head, 0, ascii('RIFF')) && at(head, 8, ascii('AVI ')),
  (head) => head[0] === SYNC && head[TS_PACKET] === SYNC,
  (head) => head[4] === SYNC && head[4 + STAMPED_PACKET] === SYNC,
];

/** Whether a clip begins like an MXF, an AVI or a transport stream; 400 bytes tell. */
export const onlyFfmpegReads = (head: Uint8Array): boolean => CONTAINERS.some((is) => is(head));
