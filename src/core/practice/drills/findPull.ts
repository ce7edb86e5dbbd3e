import { said } from '../../said.ts';
import { compileNeutral } from '../../lut/neutral.ts';
import { monitoringRecipe } from '../../lut/monitoringRecipe.ts';
import { compileProfile } from '../../profile/index.ts';
import { printStops } from '../../units.ts';
import { percent, stopsAsk } from '../asks.ts';
import { thirds, whole } from '../random.ts';
import { standsWith } from '../stageTask.ts';
import type { Drill, Level } from '../types.ts';
import { profileOf } from '../world.ts';

const PULL_TOLERANCE: Readonly<Record<Level, number>> = { 1: 1 / 2, 2: 1 / 3, 3: 1 / 6 };

/** What goes into a LUT and what comes out of it: by how many stops does it pull? */
export const findPull: Drill = {
  id: 'find-pull',
  name: 'Find the pull of a LUT',
  says: 'What stop does it show as grey?',
  skill: 'post',
  make: (making) => {
    const { random, camera, profileId, level } = making;
    const profile = compileProfile(profileOf(camera, profileId).data);
    const most = Math.max(1, Math.min(2, profile.clipStops - 2.5));
    const pull =
      level === 1 ? whole(random, 0, Math.floor(most)) : thirds(random, level === 3 ? -2 / 3 : 0, most);
    const shown = compileNeutral(monitoringRecipe({ profile, pullStops: pull })).neutral;
    const plain = compileNeutral(monitoringRecipe({ profile, pullStops: 0 })).neutral;
    // The third level has to find the place between two rows.
    const rows = (level === 3 ? [-3, -1.5, 0, 1.5, 3] : [-2, -1, 0, 1, 2]).filter(
      (at) => at < profile.clipStops,
    );
    return {
      placement: 0,
      text: said(
        `${standsWith(making)}. A LUT came with the job. Where it has no pull it shows grey at`,
        `${percent(plain(profile.signalAt(0)))}. By how many stops does this one pull?`,
      ),
      facts: [{ name: 'Grey without pull comes out at', value: percent(plain(profile.signalAt(0))) }],
      table: {
        head: ['recorded', ...rows.map((at) => printStops(at))],
        rows: [
          ['in', ...rows.map((at) => percent(profile.signalAt(at)))],
          ['out', ...rows.map((at) => percent(shown(profile.signalAt(at))))],
        ],
      },
      asks: [stopsAsk('pull', 'Pull, stops', pull, PULL_TOLERANCE[level])],
    };
  },
  explain: ({ asks: [ask] }) => ({
    because: said(
      'Look along the row that comes out for the level of grey, then up to what went in: the',
      `LUT shows ${ask.kind === 'number' ? printStops(ask.truth[0]) : ''} as grey.`,
    ),
    careful: 'Sends a card through every LUT before the job and writes its pull on the set card.',
  }),
};
