import { promptScript, shellScript, type ProxyClip } from '#core/formats/proxyScript.ts';
import { correctionCdl } from '#core/match/asCdl.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import type { LutRecipe } from '#core/lut/recipeData.ts';
import { outputOf } from '#core/lut/outputs.ts';
import { lutSpecOf } from '#ui/bench/session/lutShelf.ts';
import { bareProfile } from '#ui/luts/lutSource.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { LutRecord } from '#store/records/lut.ts';
import type { TakeRecord } from '#store/records/take.ts';
import { resolveSelection } from '#store/selection.ts';
import { words } from '#ui/wording/bundle.ts';
import { profileOfClip, type BundledClip } from './clipFacts.ts';
import type { BundleFile, BundleOf, BundlePart, LutToBake } from './parts.ts';

/** What proxies are made from. */
type ProxiesOf = Pick<BundleOf, 'records' | 'shoot' | 'takes'>;

/** Points of a cube that is burned in. */
const SIZE = 33;

/** The LUT of the first monitor on the take's set-up and camera, as the plan has it; undefined for the computed one. */
const monitorLutOf = ({ records, shoot }: ProxiesOf, take: TakeRecord | undefined) =>
  take &&
  resolveSelection(records, { shoot: shoot.id, setup: take.setupId, camera: take.cameraId })?.monitors[0]
    ?.lut;

type Burned = Pick<LutToBake, 'spec' | 'needs'> & { readonly says: string };

/** What a proxy is tagged as. */
const SHOWN = 'bt1886';

/** What a proxy shows: the clip's accepted correction, then the monitor's LUT, or the computed picture. */
const burnedOf = (
  { clip }: BundledClip,
  profile: ProfileData,
  take: TakeRecord | undefined,
  lut: LutRecord | undefined,
): Burned => {
  const correction = clip.correction?.accepted ? clip.correction.correction : undefined;
  const ofRecipe = (recipe: LutRecipe, says: string): Burned => ({
    spec: { kind: 'recipe', recipe: correction ? { ...recipe, match: correction } : recipe },
    says,
  });
  if (!lut) {
    const pullStops = take?.card.placement ?? 0;
    return ofRecipe(monitoringRecipe({ profile: bareProfile(profile), pullStops }), words.computedByCard);
  }
  const { name: says, recipe } = lut;
  if (recipe) return ofRecipe(recipe, says);
  const shown = lutSpecOf(lut);
  if (!correction) return { spec: shown, needs: [lut], says };
  const { cdl } = correctionCdl(correction, profile, 'signal', lut.coding);
  const steps = [
    { kind: 'cdl', cdl },
    { kind: 'look', of: shown, intensity: 1 },
  ] as const;
  return { spec: { kind: 'chain', steps }, needs: [lut], says };
};

/** The profile that a clip was read by, else the one its take was planned with, else the first of its camera. */
const profileOf = (
  of: ProxiesOf,
  { clip }: BundledClip,
  take: TakeRecord | undefined,
): ProfileData | undefined => {
  const own = profileOfClip(of.records, clip)?.data;
  return clip.found?.profileId === undefined ? (take?.card.profile ?? own) : own;
};

/** A cube that is burned into proxies: a file of the bundle. */
type Cube = BundleFile & { readonly lut: LutToBake };

/** The clips that a proxy can be made of, the cubes they share by what they show, and what is left out. */
export const proxiesOf = (of: ProxiesOf, clips: readonly BundledClip[]) => {
  const cubes = new Map<string, Cube>();
  const listed: ProxyClip[] = [];
  const leftOut: string[] = [];
  /** Monitors' LUTs for another display, a sentence each. */
  const other = new Set<string>();
  for (const one of clips) {
    const { clip, name } = one;
    const take = of.takes.find(({ id }) => id === clip.take?.id);
    const profile = profileOf(of, one, take);
    const camera = of.records.cameras.get(clip.cameraId);
    if (!profile || !camera) {
      leftOut.push(words.noProxy(clip.file.name));
      continue;
    }
    const monitor = monitorLutOf(of, take);
    const isShown = monitor?.output === SHOWN;
    if (monitor && !isShown) other.add(words.notBurned(monitor.name, outputOf(monitor.output).name));
    const { says, ...burned } = burnedOf(one, profile, take, isShown ? monitor : undefined);
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
            output: outputOf(SHOWN).name,
          },
        },
      });
    listed.push({
      file: clip.file.name.split('/').at(-1) ?? clip.file.name,
      bytes: clip.file.bytes,
      name,
      cube,
      range: clip.facts?.range ?? camera.coding.range,
      matrix: clip.facts?.matrix ?? 'bt709',
      ...(clip.facts?.timecode ? { timecode: clip.facts.timecode } : {}),
    });
  }
  return { listed, cubes: [...cubes.values()], leftOut: [...leftOut, ...other] };
};

/** Scripts that make a proxy of every clip with the monitoring LUT and its correction burned in, and their cubes. */
export const proxyFiles = (of: BundleOf, clips: readonly BundledClip[]): BundlePart => {
  const { listed, cubes, leftOut } = proxiesOf(of, clips);
  if (listed.length === 0) return { files: [], leftOut };
  const title = words.proxiesOf(of.shoot.name);
  return {
    files: [
      { path: 'proxies/make-proxies.sh', says: words.shellSays, text: shellScript(listed, title) },
      { path: 'proxies/make-proxies.cmd', says: words.promptSays, text: promptScript(listed, title) },
      ...cubes,
    ],
    leftOut,
  };
};
