import type { Said } from './said.ts';

/** Labels and headings of LUTs that show stops and bands on any monitor. */
export const words = {
  whatItShows: 'What it shows',
  stops: 'Stops',
  bands: 'Card, skin and clip',
  everyStopSays: 'Every whole stop in a colour of its own, light and dark by turns',
  plannedSays:
    'The picture, with what clips, the card, each face and what is under the floor painted over it',
  band: 'Band',
  points: (size: Said) => `${size} points`,
  edgeSays: 'Worse of the band’s two edges on neutrals, stops, as the monitor reads between its points',
  bandsOfTheLut: 'Bands, and what is lost',
  size: 'Points a side',
  writeTheLut: 'Write the LUT',
  judgedOnLuma:
    'Bands are judged on luma: exact for neutrals, near for colours. What clips is painted where any channel does.',
  doesNotShow: 'lost',
  forTheMonitor: (setup: Said, camera: Said) => `for ${setup}, ${camera}`,
} as const;
