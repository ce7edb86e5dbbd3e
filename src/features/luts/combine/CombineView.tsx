'use client';

import { useMemo } from 'react';
import { gamutOf } from '#core/colour/gamut.ts';
import { sampleGreyAxis } from '#core/lut/greyAxis.ts';
import { outputOf } from '#core/lut/outputs.ts';
import { printStops } from '#core/units.ts';
import { useBench, useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import type { LutRecord } from '#store/records/lut.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { landingsOf, tonesOf } from '../landings.ts';
import { Below } from '../parts/Below.tsx';
import { GreyChart } from '../parts/GreyChart.tsx';
import { greyPoints } from '../parts/greyChartModel.ts';
import { Landings } from '../parts/Landings.tsx';
import { useLaid } from '../parts/useLaid.ts';
import { LutPicture } from '#ui/luts/LutPicture.tsx';
import { ZebrasBehind } from '../parts/ZebrasBehind.tsx';
import type { LutSource } from '#ui/luts/lutSource.ts';
import type { BakedFile } from '#ui/luts/useLutFile.ts';
import { WriteFile } from '#ui/luts/WriteFile.tsx';
import { keepEdit } from '../kitModel.ts';
import { useOpenLut } from '../inspect/useOpenLut.ts';
import { throughOf, useNeutral, usePlace, useSource } from '../useSources.ts';
import { ChainSteps } from './ChainSteps.tsx';
import { chainWords, lookProblem } from './combineModel.ts';
import { words } from '#ui/wording/lutsCombine.ts';

/** Keeps the baked chain in the kit. */
const useKeepChain = (
  source: LutSource | undefined,
  neutral: ((signal: number) => number) | undefined,
  steps: readonly string[],
) => {
  const { book } = useBench();
  const { profile, camera } = useSelection();
  const thirds = useSession(({ lutWork }) => lutWork.chain.thirds);
  return ({ text, scale, interpolation }: BakedFile) => {
    if (!source || !neutral) return;
    const pull = thirds === 0 ? '' : ` ${printStops(thirds / 3)}`;
    const record: LutRecord = {
      id: crypto.randomUUID(),
      name: `${profile.name}, chain${pull}`.slice(0, 80),
      says: steps.join(', ').slice(0, 300),
      output: source.output,
      scale,
      coding: { bitDepth: camera.coding.bitDepth, range: camera.coding.range },
      interpolation,
      axis: sampleGreyAxis(neutral),
    };
    void book.edit(keepEdit(record, text));
  };
};

/** Combine and bake: pull, conversion, look, in this order, into one file. */
export const CombineView = () => {
  const selection = useSelection();
  const { numbers } = useCard();
  const chain = useSession(({ lutWork }) => lutWork.chain);
  const place = usePlace();
  const openLut = useOpenLut();
  const source = useSource('chain');
  const through = useMemo(() => throughOf(source), [source]);
  const neutral = useNeutral(source);
  const { plan, profile, setup, camera } = selection;
  const points = useMemo(
    () => neutral && greyPoints(numbers.profile, numbers.clipStops, neutral),
    [numbers, neutral],
  );
  useLaid('out, 0 to 100 %', points);
  const problem = lookProblem(place);
  const steps = chainWords(place);
  const stops = chain.thirds / 3;
  const keep = useKeepChain(source, neutral, steps);
  const gamuts = [profile.data.gamut, ...(source ? [outputOf(source.output).primaries] : [])].map(
    (gamut) => gamutOf(gamut).name,
  );
  return (
    <div className="luts">
      <div className="luts-main">
        <Panel title={words.theChain} note={steps.join(' → ') || words.nothingInIt} className="luts-picture">
          <LutPicture through={source && through} name={words.chainName} />
        </Panel>
        <Below
          sheets={{
            curve: {
              name: words.curve,
              note: `${profile.name} through the chain`,
              body: points && (
                <GreyChart lines={[{ name: 'out', points }]} tones={tonesOf(numbers, plan.placement)} />
              ),
            },
            file: {
              name: words.bake,
              body: (
                <WriteFile
                  source={problem ? undefined : source}
                  onKeep={keep}
                  name={`${setup.name} ${camera.name} chain${stops === 0 ? '' : ` ${printStops(stops)}`}`}
                  notes={[`Profile ${profile.name}, gamut ${gamuts.join(' to ')}`, ...steps]}
                />
              ),
            },
          }}
        />
      </div>
      <div className="luts-side">
        <Panel
          title={words.steps}
          tools={
            <label className="btn btn-sm btn-outline-secondary">
              {words.openAFile}
              <input
                type="file"
                hidden
                accept=".cube,.clf,.cc,.ccc,.cdl"
                aria-label={words.lutFileForThe}
                onChange={(event) => void openLut(event.target.files?.[0])}
              />
            </label>
          }
        >
          <ChainSteps />
          {problem && <p className="field-error">{problem}</p>}
        </Panel>
        <Panel title={words.whereTonesLand} note={words.inAndOut(profile.name)}>
          {neutral && source && (
            <Landings rows={landingsOf(numbers, plan.placement, neutral, source.output)} />
          )}
        </Panel>
        {neutral && source && <ZebrasBehind neutral={neutral} output={source.output} />}
      </div>
    </div>
  );
};
