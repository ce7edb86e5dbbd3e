import type { VerdictInput, VerdictRule } from './types.ts';
import { fileAgainstCard } from './verdictWords.ts';

type Mismatch = { readonly what: string; readonly told: string; readonly meant: string };

/** Primaries and transfers of open standards that a tag may name, by what they are called here. */
const TRANSFER_TAGS: Readonly<Record<string, string>> = {
  hlg: 'hlg',
  pq: 'pq',
  srgb: 'srgb',
  linear: 'linear',
};

/** What a container says that does not fit the camera and its profile. */
const mismatches = ({ measurement, numbers, recorded }: VerdictInput): readonly Mismatch[] => {
  const { tags } = measurement.origin;
  const { curve, gamut } = numbers.profile;
  const found: Mismatch[] = [];
  const own = curve.kind === 'standard' ? curve.transfer : 'a curve of its own';
  // Log is nearly always tagged BT.709, for want of a better word: that says nothing.
  const told = tags.transfer ? TRANSFER_TAGS[tags.transfer] : undefined;
  if (told && told !== own) found.push({ what: 'transfer', told: told.toUpperCase(), meant: own });
  if (own in TRANSFER_TAGS && tags.transfer && !told)
    found.push({ what: 'transfer', told: tags.transfer, meant: own.toUpperCase() });
  if (tags.primaries && typeof gamut === 'string' && ['bt709', 'bt2020'].includes(tags.primaries)) {
    if (gamut === 'bt709' && tags.primaries === 'bt2020')
      found.push({ what: 'primaries', told: 'BT.2020', meant: 'BT.709' });
  }
  if (recorded && tags.range && tags.range !== recorded.range)
    found.push({ what: 'range', told: tags.range, meant: recorded.range });
  if (recorded && measurement.coding.bitDepth < recorded.bitDepth)
    found.push({
      what: 'bit depth',
      told: `${measurement.coding.bitDepth} bit`,
      meant: `${recorded.bitDepth} bit`,
    });
  return found;
};

export const containerTags = {
  id: 'tags',
  name: 'What the file says of itself',
  threshold: 'Range, depth, transfer and primaries as the camera and the profile have them.',
  judge: (input) => {
    const [first, ...more] = mismatches(input);
    if (!first) return undefined;
    const all = [first, ...more];
    const { tags, exactness } = input.measurement.origin;
    return {
      state: 'watch',
      title: `File and card differ: ${first.what}`,
      figure: first.told,
      advice: fileAgainstCard(
        first.told,
        first.meant,
        more.map(({ what }) => what),
      ),
      arithmetic: [
        ...all.map(({ what, told, meant }) => ({ label: what, value: `file ${told}, card ${meant}` })),
        {
          label: 'tags',
          value: [tags.range, tags.primaries, tags.transfer, tags.matrix].map((tag) => tag ?? '–').join(', '),
        },
        { label: 'codes', value: exactness.exact ? 'as in the file' : `not exact: ${exactness.why}` },
      ],
    };
  },
} as const satisfies VerdictRule;
