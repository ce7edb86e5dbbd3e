import { createStore } from 'zustand/vanilla';
import { failure } from '#core/result.ts';
import type { JudgeJobs } from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import { createFrame } from './frame.ts';
import { createHero } from './hero.ts';
import { createLook } from './look.ts';
import type { LutShelf } from './lutShelf.ts';
import { createLutWork } from './luts.ts';
import { FIRST_WORK } from './lutWork.ts';
import { createMoving } from './moving.ts';
import { createNotice } from './notice.ts';
import { createOpening } from './opening.ts';
import { createPulse } from './pulse.ts';
import { createStage } from './stage.ts';
import { createTray } from './tray.ts';
import { CLEARED, withoutPassingNotice, type Access, type SessionState } from './state.ts';
import { slowKernels } from './sessionWords.ts';

/**
 * What is on the bench now and not worth a record, in slices: each is changed by its own named actions and by
 * nothing else. What is read is read by selector.
 */
export const createSession = (judge: Client<JudgeJobs>, shelf: LutShelf) => {
  const store = createStore<SessionState>(() => ({
    patches: [],
    unfound: [],
    keyed: {},
    lutWork: FIRST_WORK,
    revived: 0,
  }));
  const access: Access = { get: store.getState, set: store.setState };
  const pulse = createPulse();
  const notice = createNotice(access);
  const opening = createOpening(access);
  const { tell } = notice;
  let serial = 0;
  const nextSerial = () => {
    serial += 1;
    return serial;
  };

  const moving = createMoving(judge, pulse, {
    opened: (frame) => {
      opening.end();
      access.set({
        ...CLEARED,
        ...withoutPassingNotice(access.get()),
        stage: undefined,
        frame: { ...frame, serial: nextSerial() },
      });
    },
    reread: (info) =>
      access.set(({ frame }) => (frame ? { frame: { ...frame, info, serial: nextSerial() } } : {})),
    failed: tell,
    waiting: (name, phase) => void opening.begin(name, phase),
    ended: opening.end,
  });

  const frame = createFrame({ judge, access, opening, moving, tell, nextSerial });
  const stage = createStage({ judge, access, opening, moving, pulse, tell, nextSerial, close: frame.close });

  let asked = false;
  let reviving = false;
  /**
   * The worker has ended: what it held is opened again where it can be; if that ends the next one too, it is
   * put away.
   */
  const revive = async (reason: string): Promise<void> => {
    const was = access.get().frame;
    access.set(({ revived }) => ({ revived: revived + 1, hero: undefined, surveying: undefined }));
    tell('Worker', failure('browser', reason), { isLasting: true });
    if (reviving) {
      frame.close();
    } else {
      reviving = true;
      try {
        await (was?.kind === 'camera' || (!was && access.get().stage) ? stage.reopen() : frame.reopen());
      } finally {
        reviving = false;
      }
    }
    if (!was || access.get().frame) return;
    const gone = failure('browser', `${reason} ${was.name} could not be opened again.`);
    tell('Worker', gone, { isLasting: true });
  };
  judge.onEnded((reason) => void revive(reason));

  return {
    getState: store.getState,
    getInitialState: store.getInitialState,
    subscribe: store.subscribe,
    notice,
    frame,
    tray: createTray({ judge, access, moving, openFile: frame.openFile }),
    stage,
    luts: createLutWork(shelf, access, tell),
    hero: createHero(judge, access, tell),
    draft: {
      /** A profile being solved: ladder and card show it while it is there. */
      solve: (draft: SessionState['draft']) => access.set({ draft }),
      /** A second profile of the kit beside the one in use. */
      compare: (comparedId: string | undefined) => access.set({ comparedId }),
    },
    look: createLook(judge),
    moving,
    pulse,
    /** Asks once which form the pixel loops have; a slower one is told. */
    askKernels: async (): Promise<void> => {
      if (asked) return;
      asked = true;
      const outcome = await judge.call('kernels', {});
      if (outcome.state !== 'done') return;
      const kernels = outcome.output;
      access.set({ kernels });
      if (kernels.form === 'plain')
        tell('Pixel loops', failure('browser', slowKernels(kernels.why)), { isLasting: true });
    },
    /** Lets devices and workers go. */
    end: () => {
      moving.pause();
      judge.end();
    },
  };
};

export type Session = ReturnType<typeof createSession>;
