import { XMLParser } from 'fast-xml-parser';
import { failure, success, type Result } from '../result.ts';

/** An element: its name without a prefix, attributes, children in the file's order, and its own text. */
export type XmlNode = {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlNode[];
  readonly text: string;
  /** The line its tag begins in, from 1. */
  readonly line: number;
};

/** The five that XML itself knows (XML 1.0, clause 4.6); what a file declares on its own stays as it is written. */
const OWN: Readonly<Record<string, string>> = { lt: '<', gt: '>', amp: '&', quot: '"', apos: "'" };
const plain = (text: string) => text.replace(/&(lt|gt|amp|quot|apos);/g, (_, name: string) => OWN[name]);

type RawNode = Readonly<Record<string, unknown>> & {
  readonly ':@'?: Readonly<Record<string, string>>;
};
const META = XMLParser.getMetaDataSymbol() as unknown as symbol;
/** Where in the text an element begins, as the parser notes it. */
const startOf = (entry: RawNode): number =>
  (entry as Readonly<Record<symbol, { readonly startIndex?: number } | undefined>>)[META]?.startIndex ?? 0;

/** The line of a place in a text, asked for from the front to the back: each line end is passed once. */
const lineCounter = (text: string) => {
  let [line, at] = [1, 0];
  return (place: number): number => {
    for (let end = text.indexOf('\n', at); end >= 0 && end < place; end = text.indexOf('\n', at)) {
      line += 1;
      at = end + 1;
    }
    return line;
  };
};

const toNodes = (raw: readonly RawNode[], lineAt: (place: number) => number): XmlNode[] =>
  raw.flatMap((entry) => {
    const name = Object.keys(entry).find((key) => key !== ':@');
    if (name === undefined || name.startsWith('#') || name.startsWith('?')) return [];
    const line = lineAt(startOf(entry));
    const inner = entry[name] as readonly RawNode[];
    const text = inner
      .map((part) => (typeof part['#text'] === 'string' ? plain(part['#text']) : ''))
      .join(' ');
    return [
      {
        name: name.replace(/^.*:/, ''),
        attributes: Object.fromEntries(
          Object.entries(entry[':@'] ?? {}).map(([key, value]) => [key, plain(String(value))]),
        ),
        children: toNodes(inner, lineAt),
        text,
        line,
      },
    ];
  });

const MOST_TAG = 20_000;
const MOST_DEPTH = 100;
/** What may hold any sign, and how it ends (XML 1.0, clauses 2.5 and 2.7). */
const PASSAGES = [
  ['<!--', '-->'],
  ['<![CDATA[', ']]>'],
] as const;

/** Why a text is not handed to the parser, found in one pass; undefined where its tags are few, short and shallow. */
const beyondBounds = (text: string, most: number): string | undefined => {
  let [tags, depth] = [0, 0];
  for (let at = text.indexOf('<'); at >= 0;) {
    const passage = PASSAGES.find(([opens]) => text.startsWith(opens, at));
    const end = passage ? text.indexOf(passage[1], at) : text.indexOf('>', at);
    if (end < 0) return 'a tag or a comment is not closed';
    if (!passage) {
      tags += 1;
      if (tags > most) return `it holds more than ${most} tags`;
      if (end - at > MOST_TAG) return `a tag is longer than ${MOST_TAG} letters`;
      const inner = text.indexOf('<', at + 1);
      if (inner >= 0 && inner < end) return 'a tag begins inside of another';
      if (text[at + 1] === '/') depth -= 1;
      else if (text[end - 1] !== '/' && text[at + 1] !== '?' && text[at + 1] !== '!') depth += 1;
      if (depth > MOST_DEPTH) return `its tags are nested more than ${MOST_DEPTH} deep`;
    }
    at = text.indexOf('<', end);
  }
  return undefined;
};

/**
 * Elements of an XML text of at most so many tags, 100 deep. Entities are not expanded, whatever the text
 * declares. The caller bounds its size.
 */
export const readXml = (text: string, most = 10_000): Result<readonly XmlNode[]> => {
  const beyond = beyondBounds(text, most);
  if (beyond) return failure('file', `This is not sound XML (${beyond}): export it again.`);
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    parseTagValue: false,
    parseAttributeValue: false,
    processEntities: false,
    trimValues: true,
    captureMetaData: true,
  });
  try {
    return success(toNodes(parser.parse(text, true) as RawNode[], lineCounter(text)));
  } catch (error) {
    const detail = error instanceof Error ? error.message : String(error);
    return failure('file', `This is not sound XML (${detail.slice(0, 80)}): export it again.`);
  }
};

export const child = (node: XmlNode, name: string): XmlNode | undefined =>
  node.children.find((one) => one.name === name);
