import { XMLParser } from 'fast-xml-parser';
import { failure, success, type Result } from '../result.ts';

/** An element: its name without a prefix, attributes, children in the file's order, and its own text. */
export type XmlNode = {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlNode[];
  readonly text: string;
};

/** The five that XML itself knows (XML 1.0, clause 4.6); what a file declares on its own stays as it is written. */
const OWN: Readonly<Record<string, string>> = { lt: '<', gt: '>', amp: '&', quot: '"', apos: "'" };
const plain = (text: string) => text.replace(/&(lt|gt|amp|quot|apos);/g, (_, name: string) => OWN[name]);

type RawNode = Readonly<Record<string, unknown>> & { readonly ':@'?: Readonly<Record<string, string>> };

const toNodes = (raw: readonly RawNode[]): XmlNode[] =>
  raw.flatMap((entry) => {
    const name = Object.keys(entry).find((key) => key !== ':@');
    if (name === undefined || name.startsWith('#') || name.startsWith('?')) return [];
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
        children: toNodes(inner),
        text,
      },
    ];
  });

/** Elements of an XML text. Entities are not expanded, whatever the text declares. The caller bounds its size. */
export const readXml = (text: string): Result<readonly XmlNode[]> => {
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    parseTagValue: false,
    parseAttributeValue: false,
    processEntities: false,
    trimValues: true,
  });
  try {
    return success(toNodes(parser.parse(text, true) as RawNode[]));
  } catch (error) {
    const detail = error instanceof Error ? error.message : String(error);
    return failure('file', `This is not sound XML (${detail.slice(0, 80)}): export it again.`);
  }
};

export const child = (node: XmlNode, name: string): XmlNode | undefined =>
  node.children.find((one) => one.name === name);
