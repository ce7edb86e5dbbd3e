'use client';

import { kitOfShoot } from '#store/kitOfShoot.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import type { TakeRecord } from '#store/records/take.ts';
import { profileOfTake } from '#store/profileOfTake.ts';
import { resolveSelection, type Selection } from '#store/selection.ts';
import { startSurvey } from '#workers/survey/client.ts';
import { cardNumbersOf, dialledLight } from '../benchModel.ts';
import { useBench } from '../hooks.ts';
import type { Services } from '../services.ts';
import type { CardOf } from './cardPairing.ts';
import { createCardSurvey, type CardSurvey } from './cardSurvey.ts';
import type { SurveyCard } from './clipFound.ts';

const surveys = new WeakMap<Services, CardSurvey>();

/** Depths that cameras record in; a take keeps any number. */
const DEPTHS = [8, 10, 12] as const;

/** The plan as a take was shot: what stands on its card, not what was planned since. */
const asShot = (
  selection: Selection,
  { card }: TakeRecord,
  profile: ProfileRecord | undefined,
): Selection => ({
  ...selection,
  camera: {
    ...selection.camera,
    coding: {
      range: card.coding.range,
      bitDepth: DEPTHS.find((depth) => depth === card.coding.bitDepth) ?? selection.camera.coding.bitDepth,
    },
  },
  profile: profile ?? { ...selection.profile, name: card.profileName, data: card.profile },
  plan: {
    ...selection.plan,
    placement: card.placement,
    iso: card.iso,
    kelvin: card.kelvin,
    tint: card.tint,
  },
});

/** The card of a clip: as its take was shot, else as its camera is planned on the set-up. */
const cardFor = (
  { book }: Services,
  { shootId, setupId, cameraId }: CardOf,
  take?: TakeRecord,
): SurveyCard | undefined => {
  const all = book.getState();
  const shoot = all.shoots.get(shootId);
  if (!shoot) return undefined;
  const kit = kitOfShoot(all, shoot);
  const selection = resolveSelection(kit, {
    shoot: shootId,
    setup: take?.setupId ?? setupId,
    camera: cameraId,
  });
  if (selection?.camera.id !== cameraId) return undefined;
  // A profile of the kit that reads as the take's did; a take of one that is gone is read by what it kept.
  const same = take && profileOfTake(kit, take);
  const shot = take ? asShot(selection, take, same) : selection;
  const { profileIds } = shot.camera;
  return {
    numbers: cardNumbersOf(shot),
    light: dialledLight(shot),
    coding: shot.camera.coding,
    ...(take && !same ? {} : { kit: { profileIds, setId: shot.profile.id, profiles: kit.profiles } }),
  };
};

/** The survey of a window, made when clips are first looked at; it goes on behind every step. */
const surveyOf = (services: Services): CardSurvey => {
  const survey =
    surveys.get(services) ??
    createCardSurvey({
      database: services.database,
      start: startSurvey,
      cardOf: (of, take) => cardFor(services, of, take),
      newId: () => crypto.randomUUID(),
      now: () => performance.now(),
    });
  surveys.set(services, survey);
  return survey;
};

export const useCardSurvey = (): CardSurvey => surveyOf(useBench());
