/** Labels and headings of the set card. */
export const words = {
  shootSetUpAnd: 'Shoot, set-up and camera',
  setByHand: 'Set by hand',
  setCard: 'Set card',
  foldTheSetCard: 'Fold the set card',
  wholeSetCard: 'Whole set card',
  profile: 'Profile',
  iso: 'ISO',
  whiteBal: 'White bal.',
  shutter: 'Shutter',
  iris: 'Iris',
  nd: 'ND',
  placement: 'Placement',
  cardZebra: 'Card zebra',
  skinZebra: 'Skin zebra',
  warning: 'Warning',
  monitorLut: 'Monitor LUT',
} as const;
