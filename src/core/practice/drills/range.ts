import { said } from '../../said.ts';
import { printStops } from '../../units.ts';
import { pick, thirds } from '../random.ts';
import { standsWith } from '../stageTask.ts';
import type { Drill, Level, NumberAsk } from '../types.ts';
import { cardOf, profileOf, type PracticeCamera } from '../world.ts';

/** Room that the placement has to play with, stops, by level. */
const ROOM: Readonly<Record<Level, number>> = { 1: 2, 2: 4 / 3, 3: 2 / 3 };

/** A contrast and a range: where does the card go so that both ends are kept? */
export const placeContrast: Drill = {
  id: 'place-contrast',
  name: 'Place a log in a contrast',
  says: 'Highlights under clip, shadows over the noise: where does the card go?',
  skill: 'range',
  make: (making) => {
    const { random, world, camera, profileId, level } = making;
    const { clipStops, floorStops } = cardOf(world, camera, profileId, 0);
    const room = ROOM[level];
    // The highlights take what the shadows and the room leave.
    const placement = thirds(random, -1, Math.max(0, Math.min(2, clipStops - 3)));
    const below = thirds(random, 0, room);
    const high = clipStops - placement - (room - below);
    const low = floorStops - placement + below;
    const ask: NumberAsk = {
      id: 'placement',
      kind: 'number',
      label: 'Grey card, stops over grey',
      unit: 'stops',
      by: 'ladder',
      truth: [floorStops - low, clipStops - high],
      tolerance: 1 / 6,
      within: [-6, 6],
      step: 1 / 3,
    };
    return {
      placement: 0,
      keep: [low, high],
      text: said(
        `${standsWith(making)}, ${camera.coding.bitDepth} bit.`,
        'Where does the card go so that both ends of this scene are kept?',
      ),
      facts: [
        { name: 'Brightest to keep, over the card', value: printStops(high) },
        { name: 'Darkest to keep, against the card', value: printStops(low) },
        { name: 'Clip of the profile', value: printStops(clipStops) },
        { name: 'Last usable shadow', value: printStops(floorStops) },
      ],
      asks: [ask],
    };
  },
  explain: ({ asks: [ask] }) => {
    const [low, high] = ask.kind === 'number' ? ask.truth : [0, 0];
    return {
      because: said(
        `Under ${printStops(high)} the highlights stay below clip, over ${printStops(low)} the`,
        'shadows stay out of the noise: anything between them holds.',
      ),
      careful:
        'Goes to the upper end where the shadows count, and stays a third under it for what was not measured.',
      schools: said(
        'As bright as it holds takes the upper end; a fixed placement takes the same number every',
        'day and checks that it lies between.',
      ),
    };
  },
};

/** Bits and range that a job asks for, and what it is finished with. */
const JOBS = [
  { id: 'live', says: 'A talk that goes out as it is filmed; nobody will grade it.', wants: 'low' },
  { id: 'quick', says: 'A news piece, on air within the hour; five minutes for colour.', wants: 'low' },
  { id: 'wide', says: 'The furnace with the door to daylight open; a week in grading.', wants: 'range' },
  { id: 'sun', says: 'White crates in hard sun and faces under hats; graded.', wants: 'range' },
] as const;

const rangeOf = (camera: PracticeCamera, id: string): number => profileOf(camera, id).data.clipStops;

/** Which of the camera's profiles for this job, and why. */
export const chooseProfile: Drill = {
  id: 'choose-profile',
  name: 'Choose the profile for the job',
  says: 'Log is not always right. Say which, and why.',
  skill: 'range',
  make: (making) => {
    const { random, world, level } = making;
    const many = world.cameras.filter(({ profiles }) => profiles.length > 1);
    const camera = making.camera.profiles.length > 1 ? making.camera : pick(random, many);
    const job = pick(random, level === 1 ? JOBS.slice(1, 3) : JOBS);
    const byRange = [...camera.profiles].sort((a, b) => rangeOf(camera, b.id) - rangeOf(camera, a.id));
    const right = job.wants === 'range' ? byRange[0] : byRange.at(-1)!;
    return {
      camera,
      profileId: right.id,
      placement: 0,
      text: `${job.says} ${camera.name}. Which profile?`,
      facts: byRange.map(({ id, name }) => ({ name, value: `clip at ${printStops(rangeOf(camera, id))}` })),
      asks: [
        {
          id: 'profile',
          kind: 'choice',
          label: 'Profile',
          options: byRange.map(({ id, name }) => ({ id, says: name })),
          right: byRange
            .filter(({ id }) => rangeOf(camera, id) === rangeOf(camera, right.id))
            .map(({ id }) => id),
        },
        {
          id: 'why',
          kind: 'choice',
          label: 'Because',
          options: [
            { id: 'range', says: 'The contrast needs its room over grey, and somebody will grade it' },
            { id: 'low', says: 'Nobody will grade it: the camera’s own picture has to stand as it is' },
            { id: 'always', says: 'Log is always the best that a camera records' },
          ],
          right: [job.wants],
        },
      ],
    };
  },
  explain: (task) => ({
    because: said(
      `${profileOf(task.camera, task.profileId).name} has the room that this job needs, and no`,
      'more to undo than there is time for.',
    ),
    careful: 'Asks first who grades it and how long they have, then how much contrast there is.',
    schools:
      'Some shoot log always, for one way of working; it costs time in every short job and codes in eight bit.',
  }),
};
