/** A text in lines no wider than their room, where words allow it. @param widthOf Width of a text, in its unit */
export const wrapped = (text: string, room: number, widthOf: (text: string) => number): readonly string[] => {
  const lines: string[] = [];
  for (const word of text.split(' ').filter(Boolean)) {
    const longer = lines.length === 0 ? word : `${lines[lines.length - 1]} ${word}`;
    if (lines.length > 0 && widthOf(longer) <= room) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
};
