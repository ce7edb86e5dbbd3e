/** Longest name of a file, in characters: a path on Windows has 260 for all its parts. */
const LONGEST = 100;
/** What no file may be called on Windows, whatever its ending (Microsoft, Naming Files, Paths, and Namespaces). */
const RESERVED = /^(con|prn|aux|nul|com\d|lpt\d)(\.|$)/i;

/** A name that every file system takes: its letters stay, of any script; signs that mean something become dashes. */
export const safeName = (name: string): string => {
  const plain = name
    .normalize('NFC')
    .replace(/[\p{Cc}<>:"/\\|?*]/gu, '-')
    .replace(/\s+/g, ' ');
  const cut = [...plain]
    .slice(0, LONGEST)
    .join('')
    .replace(/^[. ]+|[. ]+$/g, '');
  return cut === '' ? 'untitled' : RESERVED.test(cut) ? `_${cut}` : cut;
};

/** Gives each name only once, whatever its capitals: the second is called `name (2)`, before its ending. */
export const uniqueNames = () => {
  const taken = new Set<string>();
  return (name: string): string => {
    const dot = name.lastIndexOf('.');
    const [stem, ending] = dot > 0 ? [name.slice(0, dot), name.slice(dot)] : [name, ''];
    let given = name;
    for (let n = 2; taken.has(given.toLowerCase()); n += 1) given = `${stem} (${n})${ending}`;
    taken.add(given.toLowerCase());
    return given;
  };
};
