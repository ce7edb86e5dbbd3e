import { UNKNOWN_GAMUT } from '#core/colour/gamut.ts';
import * as z from 'zod/mini';
import { EVIDENCE_KINDS, compileProfile } from '#core/profile/index.ts';
import type { Change, Edit } from '#store/edits.ts';
import { freeNameAmong } from '#store/freeName.ts';
import { newShoot } from '#store/newShoot.ts';
import type { BookRecords } from '#store/book.ts';
import { withOwnProfile, type CameraRecord } from '#store/records/camera.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { cameraForm, fieldsOfCamera } from '../camera/cameraModel.ts';
import type { CameraFieldId } from '../camera/fields.ts';
import { BLANK_PRINTED, solvePrinted } from '../ways/printedModel.ts';
import { printed } from '../ways/printed.tsx';
import type { PaperScaleId } from '../ways/scaleOptions.ts';
import { PLAIN_CAMERA } from './plainCamera.ts';
import { NO_ANSWERS, QUESTION_IDS, questionOf, type Answers, type QuestionId } from './questions.ts';
import { words } from '#ui/wording/kitNewCamera.ts';

/** What the answers make: a camera, and the profile that its paper gives. */
export type NewCamera = { readonly camera: CameraRecord; readonly profile?: Omit<ProfileRecord, 'id'> };

/** The fields of a camera that the answers fill, and whose question that was. */
const filled = (answers: Answers) => {
  const texts: Partial<Record<CameraFieldId, string>> = {};
  const asked = new Map<string, QuestionId>();
  for (const id of QUESTION_IDS) {
    const answer = answers[id];
    if (answer.trim() === '') continue;
    for (const [field, text] of Object.entries(questionOf(id).fills?.(answer) ?? {})) {
      texts[field as CameraFieldId] = text;
      asked.set(field, id);
    }
  }
  // A fine menu offers fine tolerances; the dial goes some way either side of base.
  if (Number(texts.zebraStep ?? 5) <= 1) texts.tolerances = '1 2 3 4 5 6 8 10';
  const bases =
    texts.baseIsos
      ?.split(/\D+/)
      .map(Number)
      .filter((iso) => iso > 0) ?? [];
  if (bases.length > 0) texts.isos = `${Math.min(100, ...bases)} to ${Math.max(12_800, ...bases)}`;
  return { texts, asked };
};

/** The profile of the paper, as the camera records it. */
const profileOf = (answers: Answers, camera: CameraRecord) => {
  const { black, grey, white, clip, clipStops } = answers;
  const scale = (answers.scale || 'signalPercent') as PaperScaleId;
  const fields = { ...BLANK_PRINTED, scale, black, grey, white, clip, clipStops };
  return { fields, solved: solvePrinted(fields, camera.coding, UNKNOWN_GAMUT) };
};

/** Log profiles have a high base; of pictures without one the lowest ISO is taken. Common practice. */
const PICTURES_AT_100 = ['flat', 'standard', ''];

/** Answers in, the camera and its profile out; what is wrong is said by question. */
export const newCameraForm = z.pipe(
  z.object(Object.fromEntries(QUESTION_IDS.map((id) => [id, z.string()]))),
  z.transform((values, context): NewCamera => {
    const answers: Answers = { ...NO_ANSWERS, ...values };
    const wrong = (path: readonly string[], message: string) => {
      context.issues.push({ code: 'custom', path: [...path], message, input: values });
    };
    const { texts, asked } = filled(answers);
    const made = cameraForm(PLAIN_CAMERA).safeParse({ ...fieldsOfCamera(PLAIN_CAMERA), ...texts });
    if (!made.success) {
      for (const { path, message } of made.error.issues)
        wrong([asked.get(String(path[0])) ?? 'name'], message);
      return z.NEVER;
    }
    const plain = made.data;
    const baseIsos =
      answers.baseIsos === '' && PICTURES_AT_100.includes(answers.picture) ? [100] : plain.baseIsos;
    const camera = { ...plain, baseIsos };
    if (answers.picture !== 'printed') {
      const picture = answers.picture || 'standard';
      return { camera: { ...camera, profileIds: [...new Set([picture, 'standard'])] } };
    }
    const { fields, solved } = profileOf(answers, camera);
    if (!solved.ok) {
      const [at = 'grey'] = printed.fieldsAt(solved.where, fields);
      wrong([at in NO_ANSWERS ? at : 'grey'], solved.reason);
      return z.NEVER;
    }
    return {
      camera,
      profile: {
        name: `${camera.name} profile`.slice(0, 80),
        origin: 'anchors',
        says: words.solvedFromPrintedNumbers,
        data: solved.value.profile,
        evidence: solved.value.evidence && [
          { ...solved.value.evidence, id: 'numbers', kind: 'anchors', source: EVIDENCE_KINDS.anchors.name },
        ],
      },
    };
  }),
);

type Ids = {
  readonly camera: string;
  readonly profile: string;
  readonly shoot: string;
  readonly setup: string;
};

/** The camera into the kit with its profile, and where it is to be used: the set-up at hand, or a shoot of its own. */
export const newCameraEdit = (
  book: BookRecords,
  made: NewCamera,
  ids: Ids,
  into: { readonly setup: SetupRecord } | { readonly shootName: string },
): Edit => {
  const plain: CameraRecord = { ...made.camera, id: ids.camera };
  const camera = made.profile ? withOwnProfile({ ...plain, profileIds: [] }, ids.profile) : plain;
  const withStandard = { ...camera, profileIds: [...new Set([...camera.profileIds, 'standard'])] };
  const name = made.profile && freeNameAmong(book.profiles.values(), made.profile.name);
  const changes: Change[] = [
    ...(made.profile && name !== undefined
      ? [{ table: 'profiles' as const, id: ids.profile, after: { ...made.profile, id: ids.profile, name } }]
      : []),
    { table: 'cameras', id: ids.camera, after: withStandard },
  ];
  const label = `New camera ${withStandard.name}`;
  if ('setup' in into) {
    const { setup } = into;
    const after = { ...setup, cameraIds: [...setup.cameraIds, ids.camera] };
    return { label, changes: [...changes, { table: 'setups', id: setup.id, before: setup, after }] };
  }
  const wish = { name: into.shootName, place: '', day: '', cameras: [withStandard] };
  return { label, changes: [...changes, ...newShoot(book, wish, ids).changes] };
};

/** What the profile of a new camera comes to in a line: `grey 41 %, clip +6 at 94 % of signal`. */
export const profileWords = ({ profile }: NewCamera): string => {
  if (!profile) return '';
  const { transfer, clipSignal, clipStops } = compileProfile(profile.data);
  const percent = (signal: number) => `${(100 * signal).toFixed(0)} %`;
  return `grey ${percent(transfer.encode(0.18))}, clip +${clipStops.toFixed(1)} at ${percent(clipSignal)} of signal`;
};
