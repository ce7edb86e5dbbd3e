'use client';

import { printStops } from '#core/units.ts';
import { useBench, useSelection, useSession } from '#ui/bench/hooks.ts';
import type { LutWork } from '#ui/bench/session/lutWork.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { Slider } from '#ui/parts/Slider.tsx';
import { SourceSelect } from '../parts/SourceSelect.tsx';
import { words } from '#ui/wording/lutsCombine.ts';

const MOST_THIRDS = 9;

type Chain = LutWork['chain'];

/** What the look expects, and how much of it is laid on. */
const LookSettings = ({ chain, set }: { chain: Chain; set: (change: Partial<Chain>) => void }) => (
  <>
    <Segmented
      label={words.theLookExpects}
      options={[
        {
          id: 'display',
          name: words.expectsAPicture,
          says: words.putOnTopOf,
        },
        {
          id: 'log',
          name: words.expectsLog,
          says: words.theConversionIsUndone,
        },
      ]}
      value={chain.feed}
      onPick={(feed) => set({ feed })}
    />
    <Slider
      label={words.intensity}
      says={words.at40To60Is}
      min={0}
      max={1}
      step={0.01}
      value={chain.intensity}
      shown={`${Math.round(100 * chain.intensity)} %`}
      moved={chain.intensity !== 0.5}
      onSet={(intensity) => set({ intensity })}
      onReset={() => set({ intensity: 0.5 })}
    />
  </>
);

/** The steps of a chain in their order: pull or push, conversion, look. */
export const ChainSteps = () => {
  const { session } = useBench();
  const { profile } = useSelection();
  const { chain, canTurn } = useSession(({ lutWork, openedLut }) => ({
    chain: lutWork.chain,
    canTurn: openedLut?.invertible === true,
  }));
  const set = session.luts.setChain;
  const canInvert = chain.conversion === 'opened' && canTurn;
  return (
    <ol className="lut-steps">
      <li>
        <Slider
          label={words.pullOrPush}
          says={words.inBeforeTheConversion(profile.name)}
          min={-MOST_THIRDS}
          max={MOST_THIRDS}
          step={1}
          value={chain.thirds}
          shown={printStops(chain.thirds / 3)}
          moved={chain.thirds !== 0}
          onSet={(thirds) => set({ thirds })}
          onReset={() => set({ thirds: 0 })}
        />
      </li>
      <li>
        <SourceSelect
          label={words.conversion}
          value={chain.conversion}
          none={words.noneStaysAsRecorded}
          onPick={(conversion) => set({ conversion, inverse: false })}
        />
        {canInvert && (
          <Toggle
            on={chain.inverse}
            name={words.turnedRound}
            says={words.a1DLut}
            onFlip={() => set({ inverse: !chain.inverse })}
          />
        )}
      </li>
      <li>
        <SourceSelect
          label={words.look}
          value={chain.look}
          none={words.none}
          onPick={(look) => set({ look })}
        />
        {chain.look !== 'none' && <LookSettings chain={chain} set={set} />}
      </li>
    </ol>
  );
};
