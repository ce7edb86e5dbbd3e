import type { Automatics, AutoValues, Knobs, Seen } from '../../stage/stageModel.ts';
import type { Access, StageState } from './state.ts';

/** What the simulated camera is set to, by hand and by itself. Without a scene nothing is changed. */
export const createKnobs = ({ get, set }: Access) => {
  const change = (fields: Partial<Omit<StageState, 'standing' | 'truth'>>) =>
    set(({ stage }) => (stage ? { stage: { ...stage, ...fields } } : {}));

  return {
    /** Turns knobs away from the card. */
    turn: (knobs: Partial<Knobs>) =>
      set(({ stage }) => (stage ? { stage: { ...stage, turned: { ...stage.turned, ...knobs } } } : {})),
    /** Puts knobs back to what the card says: these, or all. */
    asCard: (keys?: readonly (keyof Knobs)[]) =>
      set(({ stage }) =>
        stage
          ? {
              stage: {
                ...stage,
                turned: keys
                  ? Object.fromEntries(
                      Object.entries(stage.turned).filter(([key]) => !keys.includes(key as keyof Knobs)),
                    )
                  : {},
              },
            }
          : {},
      ),
    /** Another camera: what was turned on the one before is not turned on it. */
    changeCamera: () =>
      change({ turned: {}, autoIris: undefined, autoIso: undefined, autoKelvin: undefined }),
    /** Turns an automatic on or off. It begins from where the knob stands, and works only while the camera runs. */
    automate: (id: 'iris' | 'iso' | 'balance', begins: AutoValues) => {
      const { stage } = get();
      if (!stage) return;
      const on = !stage.auto[id];
      const starts = on && !stage.running ? { running: true, shown: 0, dropped: 0 } : {};
      change({ auto: { ...stage.auto, [id]: on }, ...begins, ...starts });
    },
    /** What the meter looks at. */
    meter: (change: Partial<Pick<Automatics, 'mode' | 'spot'>>) =>
      set(({ stage }) => (stage ? { stage: { ...stage, auto: { ...stage.auto, ...change } } } : {})),
    run: (running: boolean) => change({ running, shown: 0, dropped: 0 }),
    /** What the running camera has come to. */
    advance: (values: AutoValues & Seen & Pick<StageState, 'shown' | 'dropped'>) => change(values),
  };
};
