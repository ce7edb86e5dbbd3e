'use client';

import { printStops } from '#core/units.ts';
import { useBench, useSelection, useSession } from '#ui/bench/hooks.ts';
import type { LutWork } from '#ui/bench/session/lutWork.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { Slider } from '../parts/Slider.tsx';
import { SourceSelect } from '../parts/SourceSelect.tsx';

const MOST_THIRDS = 9;

type Chain = LutWork['chain'];

/** What the look expects, and how much of it is laid on. */
const LookSettings = ({ chain, set }: { chain: Chain; set: (change: Partial<Chain>) => void }) => (
  <>
    <Segmented
      label="The look expects"
      options={[
        {
          id: 'display',
          name: 'expects a picture',
          says: 'Put on top of the conversion’s output',
        },
        {
          id: 'log',
          name: 'expects log',
          says: 'The conversion is undone before it: film-print looks often want this',
        },
      ]}
      value={chain.feed}
      onPick={(feed) => set({ feed })}
    />
    <Slider
      label="Intensity"
      says="40 to 60 % is usual for looks on a corrected picture. Common practice"
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
          label="Pull or push"
          says={`In ${profile.name}, before the conversion, by thirds`}
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
          label="Conversion"
          value={chain.conversion}
          none="none: stays as recorded"
          onPick={(conversion) => set({ conversion, inverse: false })}
        />
        {canInvert && (
          <Toggle
            on={chain.inverse}
            name="Turned round"
            says="A 1D LUT the other way: output becomes input"
            onFlip={() => set({ inverse: !chain.inverse })}
          />
        )}
      </li>
      <li>
        <SourceSelect label="Look" value={chain.look} none="none" onPick={(look) => set({ look })} />
        {chain.look !== 'none' && <LookSettings chain={chain} set={set} />}
      </li>
    </ol>
  );
};
