import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of raw recording, in Plan. */
export const words = {
  title: 'Raw',
  note: (camera: Said) => `what ${camera} would hold as counts of its sensor`,
  worth: 'Raw is worth its bits here.',
  notWorth: 'Raw is not worth its bits here.',
  forRaw: 'For raw',
  against: 'Against',
  nothing: 'nothing',
  asBright: (placement: Said, channel: Said, margin: Said) =>
    `As bright as it holds: card at ${placement}. ${channel} is full first; ${margin} left under it.`,
  noSurvey: 'Survey the light first: then it is said how bright the card may be.',
  place: (placement: Said) => `Place the card at ${placement}`,
  placed: 'placement for raw',
  developed: (profile: Said, stops: Said) =>
    said(
      `Zebra, waveform and LUT read a picture developed to ${profile}.`,
      `It clips ${stops} the first channel of the sensor: up there go by the meter.`,
    ),
  before: (stops: Said) => `${stops} before`,
  after: (stops: Said) => `${stops} after`,
  balance: (kelvin: Said) =>
    `White balance ${kelvin} is a note in the file: film a card in the light, and post sets it from that.`,
  channels: 'Channels in this light',
  channel: 'Channel',
  full: 'Full at',
  floor: 'As much noise as signal at',
  isos: 'ISO on the dial',
  gains: (isos: Said) =>
    `Real gain: ISO ${isos}. Every other one is a wish in the file: it moves meter and monitor.`,
  everyIso: 'Room over and under the card at every ISO',
  iso: 'ISO',
  inFile: 'In the file',
  gain: 'real gain',
  wish: (gain: Said) => `a wish; gain of ${gain}`,
  above: 'Over the card',
  below: 'Under it',
  kind: 'This camera’s raw',
  assumed: said(
    'Where this sensor is full nobody has measured: it is taken where the widest of its profiles clips,',
    'its colour filters from a usual sensor.',
  ),
  example: (mbps: Said) =>
    `Until it is typed below, a data rate of ${mbps} Mb/s is taken, and every base for real gain.`,
  mbps: 'Data rate, Mb/s',
  typeMbps: 'Type the raw file’s Mb/s at this frame rate, up to 20000',
  realIsos: 'ISOs with real gain',
  typeIsos: (isos: Said) => `Type ISOs of this camera, with spaces between: ${isos}`,
  isosHint: 'its manual or a test with the lens cap on says which',
  saved: 'raw of the camera',
  records: 'This plan records raw',
  recorded: 'raw recording',
  developTo: 'Post develops to',
  arithmetic: said(
    'Channels: green of a usual sensor passes most; red and blue take their share of it and of the light’s colour.',
    'Full and floor of this camera’s sensor, as Kit has them. Codes against noise: 0.4 code of noise hides steps.',
  ),
  howWorked: 'How it is worked out',
} as const;
