'use client';

import { useMemo } from 'react';
import { neutralOf } from '#core/colour/lean.ts';
import { OF_SPOTS, type StageSceneId } from '#store/demo/scenes.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { camerasOf, heroCameraOf, resolveSelection, type Selection } from '#store/selection.ts';
import { dialledLight } from '#ui/bench/benchModel.ts';
import { useRecords, useSelection } from '#ui/bench/hooks.ts';
import { bodyOf, knobsOfCard, settingsOfKnobs } from '#ui/stage/stageModel.ts';
import { useStanding } from '#ui/stage/useStanding.ts';
import { useSame } from '#ui/useSame.ts';
import type { ExposeInput } from '#workers/judge/protocol.ts';
import type { MatchReadings, Side } from '#workers/match/protocol.ts';

/** Width of the pictures that the simulated cameras film for a match, px. */
const FILM_WIDTH = 960;

export type MatchPair = {
  readonly cameras: readonly CameraRecord[];
  readonly selections: { readonly [S in Side]: Selection };
  readonly readings: MatchReadings;
  /** Kelvin of the light both stand in. */
  readonly kelvin: number;
  /** A scene of the stage that both can be set before. */
  readonly scene?: { readonly id: StageSceneId; readonly sides: { readonly [S in Side]: ExposeInput } };
};

/** What both are filmed for: the same is not filmed twice. */
export const filmKey = (scene: NonNullable<MatchPair['scene']>): string => JSON.stringify(scene);

const whiteOf = ({ plan, camera }: Selection) => ({
  kelvin: neutralOf(plan.kelvin, camera.lean?.mired ?? 0),
  tint: plan.tint + (camera.lean?.tint ?? 0),
});
const dialOf = ({ plan }: Selection) => ({ kelvin: plan.kelvin, tint: plan.tint });
const readingOf = ({ profile, plan, camera }: Selection) => ({
  profile: profile.data,
  placement: plan.placement,
  floorStops: camera.floorStops,
});
const both = <T>(of: (side: Side) => T): { readonly [S in Side]: T } => ({
  camera: of('camera'),
  hero: of('hero'),
});

/** The hero camera of the set-up and the one that is brought to it; undefined where the set-up has one camera. */
export const useMatchPair = (): MatchPair | undefined => {
  const selection = useSelection();
  const records = useRecords();
  const standing = useStanding();
  const pair = useMemo((): MatchPair | undefined => {
    const { shoot, setup, camera: chosen } = selection;
    const cameras = camerasOf(records, setup);
    const hero = heroCameraOf(records, shoot.id, setup);
    const camera = [chosen, ...cameras].find(({ id }) => id !== hero?.id);
    const of = (id: string | undefined) =>
      id === undefined
        ? undefined
        : resolveSelection(records, { shoot: shoot.id, setup: setup.id, camera: id });
    const [heroSelection, own] = [of(hero?.id), of(camera?.id)];
    if (!heroSelection || !own) return undefined;
    const selections = { hero: heroSelection, camera: own };
    const input = (side: Side): ExposeInput | undefined => {
      const settings = settingsOfKnobs(selections[side], knobsOfCard(selections[side]), records);
      return (
        settings && {
          body: bodyOf(selections[side].camera, records, selections[side].plan.glass),
          settings,
          seed: side === 'hero' ? 1 : 2,
          seconds: 0,
          width: FILM_WIDTH,
          spotting: { mode: 'whole', x: 0.5, y: 0.5 },
          bias: 0,
        }
      );
    };
    const [cameraInput, heroInput] = [input('camera'), input('hero')];
    const id = standing && standing.id !== OF_SPOTS ? standing.id : undefined;
    return {
      cameras,
      selections,
      readings: {
        sides: both((side) => readingOf(selections[side])),
        white: both((side) => whiteOf(selections[side])),
        dials: both((side) => dialOf(selections[side])),
      },
      kelvin: Math.round(dialledLight(heroSelection).kelvin),
      ...(id && cameraInput && heroInput
        ? { scene: { id, sides: { camera: cameraInput, hero: heroInput } } }
        : {}),
    };
  }, [selection, records, standing]);
  return useSame(pair);
};
