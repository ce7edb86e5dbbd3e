import { promptScript, shellScript, type ProxyClip } from '#core/formats/proxyScript.ts';
import { correctionCdl } from '#core/match/asCdl.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import { outputOf } from '#core/lut/outputs.ts';
import { lutSpecOf } from '#ui/bench/session/lutShelf.ts';
import { bareProfile } from '#ui/luts/lutSource.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { TakeRecord } from '#store/records/take.ts';
import { resolveSelection } from '#store/selection.ts';
import { words } from '#ui/wording/bundle.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import { profileOfClip, type BundledClip } from './clipFacts.ts';
import type { BundleFile, BundleOf, BundlePart, LutToBake } from './parts.ts';

/** Points of a cube that is burned in. */
const SIZE = 33;

/** The LUT of the first monitor on the take's set-up and camera, as the plan has it; undefined for the computed one. */
const monitorLutOf = ({ records, shoot }: BundleOf, take: TakeRecord | undefined) =>
  take &&
  resolveSelection(records, { shoot: shoot.id, setup: take.setupId, camera: take.cameraId })?.monitors[0]
    ?.lut;

type Burned = Pick<LutToBake, 'spec' | 'needs'> & { readonly says: string };

/** What a proxy shows: the clip's accepted correction, then what the monitor showed. */
const burnedOf = (of: BundleOf, { clip }: BundledClip, profile: ProfileData): Burned => {
  const take = of.takes.find(({ id }) => id === clip.take?.id);
  const correction = clip.correction?.accepted ? clip.correction.correction : undefined;
  const lut = monitorLutOf(of, take);
  const pullStops = take?.card.placement ?? 0;
  if (!lut) {
    const recipe = monitoringRecipe({ profile: bareProfile(profile), pullStops });
    const spec: LutSpec = { kind: 'recipe', recipe: correction ? { ...recipe, match: correction } : recipe };
    return { spec, says: words.computedByCard };
  }
  const shown = lutSpecOf(lut);
  const needs = lut.recipe ? [] : [lut];
  if (!correction) return { spec: shown, needs, says: lut.name };
  if (shown.kind === 'recipe') {
    const recipe = { ...shown.recipe, match: correction };
    return { spec: { kind: 'recipe', recipe }, says: lut.name };
  }
  const { cdl } = correctionCdl(correction, profile, 'signal', lut.coding);
  const steps = [
    { kind: 'cdl', cdl },
    { kind: 'look', of: shown, intensity: 1 },
  ] as const;
  return { spec: { kind: 'chain', steps }, needs, says: lut.name };
};

const MATRIX_OF_TAGS = /\b(bt2020|bt\.?2020|601)/i;
const matrixOf = (tags: string | undefined): ProxyClip['matrix'] => {
  const found = MATRIX_OF_TAGS.exec(tags ?? '')?.[1];
  if (!found) return 'bt709';
  return found === '601' ? 'bt601' : 'bt2020';
};

/**
 * Scripts that make a proxy of every clip with the monitoring LUT and its correction burned in, and the cubes they
 * need; clips that show the same share one.
 */
export const proxyFiles = (of: BundleOf, clips: readonly BundledClip[]): BundlePart => {
  const cubes = new Map<string, BundleFile>();
  const listed: ProxyClip[] = [];
  const leftOut: string[] = [];
  for (const one of clips) {
    const { clip, name } = one;
    const take = of.takes.find(({ id }) => id === clip.take?.id);
    const profile = take?.card.profile ?? profileOfClip(of.records, clip)?.data;
    const camera = of.records.cameras.get(clip.cameraId);
    if (!profile || !camera) {
      leftOut.push(words.noProxy(clip.file.name));
      continue;
    }
    const { says, ...burned } = burnedOf(of, one, profile);
    const key = JSON.stringify(burned.spec);
    const cube =
      cubes.get(key)?.path.split('/').at(-1) ?? `burned-${String(cubes.size + 1).padStart(3, '0')}.cube`;
    const title = words.burnedTitle(camera.name, says);
    if (!cubes.has(key))
      cubes.set(key, {
        path: `proxies/${cube}`,
        says: words.burnedSays(camera.name, says),
        lut: {
          ...burned,
          format: 'cube',
          size: SIZE,
          shaped: false,
          coding: camera.coding,
          words: {
            id: cube,
            title,
            comments: [words.burnedScale],
            input: title,
            output: outputOf('bt1886').name,
          },
        },
      });
    listed.push({
      file: clip.file.name.split('/').at(-1) ?? clip.file.name,
      bytes: clip.file.bytes,
      name,
      cube,
      range: clip.facts?.range ?? camera.coding.range,
      matrix: matrixOf(clip.facts?.tags),
      ...(clip.facts?.timecode ? { timecode: clip.facts.timecode } : {}),
    });
  }
  if (listed.length === 0) return { files: [], leftOut };
  const title = words.proxiesOf(of.shoot.name);
  return {
    files: [
      { path: 'proxies/make-proxies.sh', says: words.shellSays, text: shellScript(listed, title) },
      { path: 'proxies/make-proxies.cmd', says: words.promptSays, text: promptScript(listed, title) },
      ...cubes.values(),
    ],
    leftOut,
  };
};
