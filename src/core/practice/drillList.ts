import { ownBracket } from './drills/ownBracket.ts';
import { ownTake } from './drills/ownTake.ts';
import { mixedLight, underwater } from './drills/balance.ts';
import { clipping } from './drills/clipping.ts';
import { correctionOrder } from './drills/correctionOrder.ts';
import { judgeDrift } from './drills/drift.ts';
import { exposeBySkin } from './drills/exposeBySkin.ts';
import { exposeByZebra } from './drills/exposeByZebra.ts';
import { findFault } from './drills/findFault.ts';
import { findInput } from './drills/findInput.ts';
import { findPull } from './drills/findPull.ts';
import { ndAndIris } from './drills/light.ts';
import { liveRoom } from './drills/liveRoom.ts';
import { matchCameras } from './drills/matchCameras.ts';
import { spotMeter, wholeMeter } from './drills/meters.ts';
import { pointMeter } from './drills/pointMeter.ts';
import { chooseProfile, placeContrast } from './drills/range.ts';
import { readCast, readStops } from './drills/readStops.ts';
import { exposeByWaveform, screenLies } from './drills/screens.ts';
import { setZebras } from './drills/setZebras.ts';
import { randomFor } from './random.ts';
import type { Drill, Level, Making, Need, Task } from './types.ts';

/** All drills, easy ones first. A further one is a row here and a small file. */
export const DRILLS: readonly Drill[] = [
  exposeByZebra,
  setZebras,
  spotMeter,
  pointMeter,
  exposeByWaveform,
  exposeBySkin,
  screenLies,
  wholeMeter,
  readStops,
  readCast,
  clipping,
  placeContrast,
  chooseProfile,
  ndAndIris,
  mixedLight,
  underwater,
  findPull,
  findInput,
  findFault,
  matchCameras,
  correctionOrder,
  judgeDrift,
  liveRoom,
  ownTake,
  ownBracket,
];

/** The drills that can be done with what there is. */
export const drillsFor = (met: readonly Need[]): readonly Drill[] =>
  DRILLS.filter(({ needs }) => needs === undefined || met.includes(needs));

export const drillOf = (id: string): Drill | undefined => DRILLS.find((drill) => drill.id === id);

/** The task of a drill at a level from a seed: the same for everybody with the same camera, profile and scenes. */
export const taskOf = (
  drill: Drill,
  level: Level,
  seed: number,
  given: Pick<Making, 'world' | 'camera' | 'profileId'>,
): Task => ({
  drill: drill.id,
  level,
  seed,
  camera: given.camera,
  profileId: given.profileId,
  ...drill.make({ ...given, level, random: randomFor(drill.id, level, seed) }),
});
