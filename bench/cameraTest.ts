// Tests of simulated cameras against what they really do: every archetype, 8 and 10 bit, legal and full range, bodies
// that lean, meter and mark otherwise.
import { evaluateTest } from '../src/core/cameraTest/evaluate.ts';
import { isoOff } from '../src/core/cameraTest/film/film.ts';
import type { SlipId } from '../src/core/cameraTest/film/slips.ts';
import { findShots } from '../src/core/cameraTest/find/foundIn.ts';
import { SURE } from '../src/core/cameraTest/find/recognise.ts';
import {
  CAMERA,
  filmedClips,
  filmedShotsOf,
  filmingOf,
  HAVE,
  lumaSensor,
  TRUTH,
  USUAL,
} from '../src/core/cameraTest/fixtures/filmed.ts';
import { floorAt } from '../src/core/noise/sensorNoise.ts';
import { gaussian, seededRandom } from '../src/core/random.ts';
import { ARCHETYPE_IDS, ARCHETYPES, compileProfile, type ArchetypeId } from '../src/core/profile/index.ts';

export type CameraTestFigures = {
  readonly name: string;
  /** Share of placements of grey at which the whole curve lies in its band. */
  readonly covered: number;
  /** Stops: of the curve between -5 and a half under clip, the worst; of clip. */
  readonly curve: number;
  readonly clip: number;
  readonly mired: number;
  readonly tint: number;
  readonly meter: number;
  /** Stops: worst ISO step; worst floor at signal over noise 2. Share: worst read noise that is not called rough or cut. */
  readonly iso: number;
  readonly floor: number;
  readonly read: number;
  readonly ms: number;
};

/** How exactly a card is put at grey by a meter, stops: a body shows thirds or tenths. Placements of each test. */
const PLACED_BY = 0.03;
const PLACEMENTS = 10;

const BASE = Math.min(...CAMERA.baseIsos);

const one = (
  archetype: ArchetypeId,
  bitDepth: 8 | 10,
  range: 'legal' | 'full',
  seed: number,
): CameraTestFigures => {
  const coding = { bitDepth, range } as const;
  const filming = filmingOf(archetype, coding, { seed, shutterSd: [0, 0.03, 0.06, 0.1][seed % 4] });
  const filmed = filmedShotsOf(filming);
  const since = performance.now();
  const told = evaluateTest({
    filmed,
    camera: CAMERA,
    have: HAVE,
    coding,
    gamut: filming.camera.profile.gamut,
  });
  const ms = performance.now() - since;
  if (!told.ok) throw new Error(`${archetype}: ${told.reason}`);
  const { profile } = told.value.curve;
  const truth = compileProfile(ARCHETYPES[archetype]);
  const found = compileProfile({ ...profile, clipStops: 12 });
  // What a full-range file holds ends at its top code.
  const top = range === 'full' ? truth.stopsAt(1) : truth.clipStops;
  const clipStops = Math.min(truth.clipStops, Number.isFinite(top) ? top : truth.clipStops);
  // A person sets grey by a meter, and the band counts that in: the light lies off by as much, another way each time.
  const normal = gaussian(seededRandom(997 * seed + bitDepth));
  const placements = Array.from({ length: PLACEMENTS }, () => PLACED_BY * normal());
  const isCovered = (off: number) =>
    profile.band!.stops.every(
      (at, i) =>
        at < -8 ||
        at > clipStops - 0.2 ||
        Math.abs(found.signalAt(at) - truth.signalAt(at + off)) <= profile.band!.signal[i] + 1e-4,
    );
  const covered = placements.filter(isCovered).length / PLACEMENTS;
  let curve = 0;
  for (let at = -5; at < clipStops - 0.5; at += 1 / 3)
    curve = Math.max(curve, Math.abs(found.stopsAt(truth.signalAt(at)) - at));
  const figures = told.value.parts.flatMap((part) => part.figures);
  const value = (id: string) => figures.find((figure) => figure.id === id)?.value ?? Number.NaN;
  const byIso = (start: string, offOf: (figure: (typeof figures)[number], iso: number) => number) =>
    figures
      .filter(({ id, name }) => id.startsWith(start) && !/roughly|half/.test(name))
      .map((figure) => Math.abs(offOf(figure, Number(figure.id.slice(start.length)))))
      .reduce((a, b) => Math.max(a, b), 0);
  return {
    name: `${archetype} ${bitDepth} bit ${range}, body ${seed}`,
    covered,
    curve,
    clip: Math.abs(profile.clipStops - clipStops),
    mired: Math.abs(value('lean.mired') - TRUTH.lean.mired),
    tint: Math.abs(value('lean.tint') - TRUTH.lean.tint),
    meter: Math.abs(value('meter.spot.card') - TRUTH.meterBias),
    iso: byIso('iso.', (figure, iso) => figure.value - Math.log2(iso / BASE) - isoOff(filming, iso)),
    floor: byIso('floor.2.', (figure, iso) => figure.value - floorAt(lumaSensor(filming, iso), 2)),
    read: byIso('read.', (figure, iso) => figure.value / lumaSensor(filming, iso).readElectrons - 1),
    ms,
  };
};

/** Figures of every test, one after the other. */
export function* cameraTestFigures(seeds: number): Generator<CameraTestFigures> {
  for (let seed = 1; seed <= seeds; seed += 1)
    for (const archetype of ARCHETYPE_IDS)
      for (const bitDepth of [8, 10] as const)
        for (const range of ['legal', 'full'] as const) yield one(archetype, bitDepth, range, seed);
}

/** Slips that come together. */
const MIXES: readonly (readonly SlipId[])[] = [
  [],
  ['twice', 'hand', 'drift'],
  ['forgotten', 'twice'],
  ['autoBalance', 'forgotten'],
  ['mixed', 'hand'],
  ['early', 'drift'],
  ['autoExposure', 'early'],
  ['autoExposure', 'forgotten', 'twice'],
  ['autoExposure', 'autoBalance', 'hand', 'drift'],
];
const TOLD_APART: readonly (readonly [ArchetypeId, 8 | 10])[] = [
  ['wideLog', 10],
  ['flat', 8],
  ['cineFlat', 10],
];
/** Steps of a bracket at clip are one like the other. */
const isStep = (id: string | undefined) => /^(bracket|back) /.test(id ?? '');

export type RecognitionFigures = {
  readonly name: string;
  readonly shots: number;
  /** Named right and surely; named surely and wrong. */
  readonly right: number;
  readonly wrong: number;
};

/** Shots of a usual list told apart, by mix of slips. */
export const recognitionFigures = function* (seeds: number): Generator<RecognitionFigures> {
  for (const slips of MIXES) {
    let [shots, right, wrong] = [0, 0, 0];
    for (let seed = 3; seed < 3 + seeds; seed += 1)
      for (const [archetype, bitDepth] of TOLD_APART) {
        const filming = filmingOf(archetype, { bitDepth, range: 'legal' }, { slips, seed, frames: 8 });
        const { clips, really } = filmedClips(filming);
        for (const { hold, shotId, sure } of findShots(USUAL, clips, { labels: {}, bounds: {} })) {
          const truth = really[Number(hold.clip)];
          shots += 1;
          if (sure < SURE) continue;
          if (shotId === truth || (isStep(shotId) && isStep(truth))) right += 1;
          else wrong += 1;
        }
      }
    yield { name: slips.join(', ') || 'no slip', shots, right, wrong };
  }
};
