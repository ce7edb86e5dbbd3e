/** Labels and headings of looking into a LUT. */
export const words = {
  at0To1In: '0 to 1 in the file',
  endsIn: 'Ends in',
  whatTheFileEnds: 'What the file ends in',
  keep: 'Keep',
  open: 'Open',
  lut: 'LUT',
  lutFile: 'LUT file',
  behindThisLut: 'Behind this LUT',
  verdict: 'Verdict',
  curve: 'Curve',
  whereTonesLand: 'Where tones land',
  forAZebraThat: 'for a zebra that reads it',
  checkingIt: 'checking it…',
} as const;
