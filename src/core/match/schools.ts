import { mean } from 'd3-array';
import { compileCorrection } from '../correction/compile.ts';
import { dialAfter } from '../correction/balanceGains.ts';
import type { Correction } from '../correction/operations.ts';
import type { Dial } from '../colour/lean.ts';
import { deltaE2000 } from '../colour/lab.ts';
import { MIDDLE_GREY } from '../units.ts';
import type { Triple } from '../maths/matrix.ts';
import type { MatchSpace } from './parameters.ts';
import { comparable, labOfLight, type MatchKind, type MatchPatch } from './patches.ts';

type Step = (light: Triple) => Triple;
const SAME: Step = (light) => light;

export type SchoolInput = {
  readonly patches: readonly MatchPatch[];
  readonly space: MatchSpace;
  /** What both dials stood at when they were filmed. */
  readonly dials: { readonly camera: Dial; readonly hero: Dial };
  readonly correction: Correction;
};

type MatchSchool = {
  readonly name: string;
  readonly says: string;
  /** What is done to each camera's light; undefined where it cannot be worked out, with the reason in `without`. */
  readonly steps: (input: SchoolInput) => { readonly camera: Step; readonly hero: Step } | undefined;
  readonly without: string;
};

/** What a look does at full strength, standing for whichever is laid over all: softer colour, more contrast, warmer. */
const LOOK = { contrast: 1.2, saturation: 0.75, mired: 12 } as const;
/** The middle of 40 to 60 %. Common practice. */
const GLUE = 0.5;

const blended =
  (step: Step, share: number): Step =>
  (light) => {
    const done = step(light);
    return light.map((v, c) => v + share * (done[c] - v)) as unknown as Triple;
  };

const NEUTRALS: readonly MatchKind[] = ['card', 'neutral', 'white'];
const LIGHT_OF = { camera: 'from', hero: 'hero' } as const;

/** Gains that make the brightest marked neutral of a camera neutral, and a grey card land at grey. */
const ownCard = ({ patches, space }: SchoolInput, whose: 'camera' | 'hero'): Step | undefined => {
  const key = LIGHT_OF[whose];
  const card =
    patches.find(({ kind }) => kind === 'card') ??
    patches
      .filter(({ kind }) => NEUTRALS.includes(kind))
      .toSorted((a, b) => b[key].light[1] - a[key].light[1])[0];
  if (!card) return undefined;
  const own = card[key].light;
  const target = card.kind === 'card' ? MIDDLE_GREY * 2 ** space.level : card.hero.light[1];
  return (light) => light.map((v, c) => (v * target) / own[c]) as unknown as Triple;
};

/** Schools of bringing cameras together. A further one is a row. */
export const MATCH_SCHOOLS = {
  sameNumber: {
    name: 'Same number on every dial',
    says: 'Kelvin, tint and exposure alike on all bodies; how they lean and what they make of colour stays.',
    steps: ({ space, dials }) => {
      const mired = 1e6 / dials.camera.kelvin - 1e6 / dials.hero.kelvin;
      const about = dialAfter(space.dial, 0, 0);
      const balance = { kind: 'balance', mired, tint: dials.hero.tint - dials.camera.tint, about } as const;
      const { run } = compileCorrection(
        { primaries: space.primaries, operations: [balance] },
        space.primaries,
      );
      return { camera: run, hero: SAME };
    },
    without: '',
  },
  custom: {
    name: 'Custom balance each',
    says: 'Each body balanced and exposed on its own card; neutrals meet, colours stay each body’s own.',
    steps: (input) => {
      const [camera, hero] = [ownCard(input, 'camera'), ownCard(input, 'hero')];
      return camera && hero ? { camera, hero } : undefined;
    },
    without: 'mark a grey card or another neutral on both',
  },
  post: {
    name: 'Match in post',
    says: 'The solved correction laid over the camera’s clips.',
    steps: ({ correction, space }) => ({
      camera: compileCorrection(correction, space.primaries).run,
      hero: SAME,
    }),
    without: '',
  },
  glue: {
    name: 'One look over all, at half',
    says: 'No match: a look at 40 to 60 % over all cameras as glue, here a plain one (softer, warmer) at 50 %.',
    steps: ({ space }) => {
      const { run } = compileCorrection(
        {
          primaries: space.primaries,
          operations: [
            { kind: 'contrast', slope: LOOK.contrast },
            { kind: 'saturation', amount: LOOK.saturation },
            { kind: 'balance', mired: LOOK.mired, tint: 0, about: { kelvin: 5600, tint: 0 } },
          ],
        },
        space.primaries,
      );
      const look = blended(run, GLUE);
      return { camera: look, hero: look };
    },
    without: '',
  },
} as const satisfies Record<string, MatchSchool>;
type MatchSchoolId = keyof typeof MATCH_SCHOOLS;
const MATCH_SCHOOL_IDS = Object.keys(MATCH_SCHOOLS) as MatchSchoolId[];

/** CIEDE2000 that a school leaves: mean over skin, over neutrals and over all that was marked. */
export type SchoolAnswer = {
  readonly id: MatchSchoolId;
  readonly skin?: number;
  readonly neutral?: number;
  readonly all?: number;
};

/** What each school leaves between these cameras. */
export const matchSchools = (input: SchoolInput): readonly SchoolAnswer[] => {
  const used = comparable(input.patches).used;
  const lab = labOfLight(input.space.primaries, input.space.level);
  return MATCH_SCHOOL_IDS.map((id) => {
    const school: MatchSchool = MATCH_SCHOOLS[id];
    const steps = used.length > 0 ? school.steps({ ...input, patches: used }) : undefined;
    if (!steps) return { id };
    const over = (kinds?: readonly MatchKind[]) =>
      mean(
        used.filter(({ kind }) => kinds === undefined || kinds.includes(kind)),
        ({ from, hero }) => deltaE2000(lab(steps.camera(from.light)), lab(steps.hero(hero.light))),
      );
    const [skin, neutral, all] = [over(['skin']), over(NEUTRALS), over()];
    return {
      id,
      ...(skin === undefined ? {} : { skin }),
      ...(neutral === undefined ? {} : { neutral }),
      ...(all === undefined ? {} : { all }),
    };
  });
};
