/** Labels and headings of pocket cards. */
export const words = {
  print: 'Print',
  picture: 'Picture',
  share: 'Share',
} as const;
