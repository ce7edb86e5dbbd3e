/** Labels and headings of looking into a LUT. */
export const words = {
  at0To1In: '0 to 1 in the file',
  endsIn: 'Ends in',
  whatTheFileEnds: 'What the file ends in',
  keep: 'Keep',
  open: 'Open',
  lut: 'LUT',
  lutFile: 'LUT file',
  verdict: 'Verdict',
  curve: 'Curve',
  whereTonesLand: 'Where tones land',
  checkingIt: 'checking it…',
} as const;
