'use client';

import { kitOfShoot } from '#store/kitOfShoot.ts';
import { resolveSelection } from '#store/selection.ts';
import { startSurvey } from '#workers/survey/client.ts';
import { cardNumbersOf, dialledLight } from '../benchModel.ts';
import { useBench } from '../hooks.ts';
import type { Services } from '../services.ts';
import { createCardSurvey, type CardOf, type CardSurvey } from './cardSurvey.ts';
import type { SurveyCard } from './clipFound.ts';

const surveys = new WeakMap<Services, CardSurvey>();

const cardFor = ({ book }: Services, { shootId, setupId, cameraId }: CardOf): SurveyCard | undefined => {
  const all = book.getState();
  const shoot = all.shoots.get(shootId);
  if (!shoot) return undefined;
  const kit = kitOfShoot(all, shoot);
  const selection = resolveSelection(kit, { shoot: shootId, setup: setupId, camera: cameraId });
  if (selection?.camera.id !== cameraId) return undefined;
  const { camera, profile } = selection;
  return {
    numbers: cardNumbersOf(selection),
    light: dialledLight(selection),
    coding: camera.coding,
    kit: { profileIds: camera.profileIds, setId: profile.id, profiles: kit.profiles },
  };
};

/** The survey of a window, made when clips are first looked at; it goes on behind every step. */
const surveyOf = (services: Services): CardSurvey => {
  const survey =
    surveys.get(services) ??
    createCardSurvey({
      database: services.database,
      start: startSurvey,
      cardOf: (of) => cardFor(services, of),
      newId: () => crypto.randomUUID(),
      now: () => performance.now(),
    });
  surveys.set(services, survey);
  return survey;
};

export const useCardSurvey = (): CardSurvey => surveyOf(useBench());
