import type { Said } from './said.ts';

/** Labels and headings of shoots in Kit. */
export const words = {
  putItAway: 'Put it away',
  demoShoot: 'Demo shoot',
  walkRoundIt: 'Walk round it',
  putTheDemoAway: 'Put the demo away',
  bringTheDemoBack: 'Bring the demo back',
  newShoot: 'New shoot',
  name: 'Name',
  place: 'Place',
  firstDay: 'First day',
  cameras: 'Cameras',
  setUpANew: 'Set up a new camera',
  addShoot: 'Add shoot',
  open: 'Open',
  openNamed: (name: Said) => `Open ${name}`,
  inTheRecords: 'in the records',
  putAway: 'put away',
  startsEmptyWithIts: 'starts empty, with its cameras',
} as const;
