'use client';

import { useMemo } from 'react';
import { gamutOf } from '#core/colour/gamut.ts';
import { sampleGreyAxis } from '#core/lut/greyAxis.ts';
import { outputOf } from '#core/lut/outputs.ts';
import { printStops } from '#core/units.ts';
import { useBench, useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import type { LutRecord } from '#store/records/lut.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { landingsOf, tonesOf } from '../landings.ts';
import { Below } from '../parts/Below.tsx';
import { GreyChart } from '../parts/GreyChart.tsx';
import { greyPoints } from '../parts/greyChartModel.ts';
import { Landings } from '../parts/Landings.tsx';
import { useLaid } from '../parts/useLaid.ts';
import { LutPicture } from '../parts/LutPicture.tsx';
import { ZebrasBehind } from '../parts/ZebrasBehind.tsx';
import { Slider } from '../parts/Slider.tsx';
import { SourceSelect } from '../parts/SourceSelect.tsx';
import { WriteFile, type BakedFile } from '#ui/luts/WriteFile.tsx';
import { keepEdit } from '../kitModel.ts';
import { useOpenLut } from '../inspect/useOpenLut.ts';
import { throughOf, useNeutral, usePlace, useSource } from '../useSources.ts';
import { chainWords, lookProblem } from './combineModel.ts';

const MOST_THIRDS = 9;

/** Combine and bake: pull, conversion, look, in this order, into one file. */
export const CombineView = () => {
  const { book, session } = useBench();
  const selection = useSelection();
  const { numbers } = useCard();
  const { chain, canTurn } = useSession(({ lutWork, opened }) => ({
    chain: lutWork.chain,
    canTurn: opened?.invertible === true,
  }));
  const set = session.luts.setChain;
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
  const keep = ({ text, scale, interpolation }: BakedFile) => {
    if (!source || !neutral) return;
    const record: LutRecord = {
      id: crypto.randomUUID(),
      name: `${profile.name}, chain${chain.thirds === 0 ? '' : ` ${printStops(chain.thirds / 3)}`}`.slice(
        0,
        80,
      ),
      says: words.join(', ').slice(0, 300),
      output: source.output,
      scale,
      coding: { bitDepth: camera.coding.bitDepth, range: camera.coding.range },
      interpolation,
      axis: sampleGreyAxis(neutral),
    };
    void book.edit(keepEdit(record, text));
  };
  const problem = lookProblem(place);
  const words = chainWords(place);
  const stops = chain.thirds / 3;
  const canInvert = chain.conversion === 'opened' && canTurn;
  return (
    <div className="luts">
      <div className="luts-main">
        <Panel title="The chain" note={words.join(' → ') || 'nothing in it'} className="luts-picture">
          <LutPicture through={source && through} name="the chain" />
        </Panel>
        <Below
          sheets={{
            curve: {
              name: 'Curve',
              note: `${profile.name} through the chain`,
              body: points && (
                <GreyChart lines={[{ name: 'out', points }]} tones={tonesOf(numbers, plan.placement)} />
              ),
            },
            file: {
              name: 'Bake',
              body: (
                <WriteFile
                  source={problem ? undefined : source}
                  onKeep={keep}
                  name={`${setup.name} ${camera.name} chain${stops === 0 ? '' : ` ${printStops(stops)}`}`}
                  notes={[
                    `Profile ${profile.name}, gamut ${gamutOf(profile.data.gamut).name}${source ? ` to ${gamutOf(outputOf(source.output).primaries).name}` : ''}`,
                    ...words,
                  ]}
                />
              ),
            },
          }}
        />
      </div>
      <div className="luts-side">
        <Panel
          title="Steps"
          tools={
            <label className="btn btn-sm btn-outline-secondary">
              Open a file
              <input
                type="file"
                hidden
                accept=".cube,.clf,.cc,.ccc,.cdl"
                aria-label="LUT file for the chain"
                onChange={(event) => void openLut(event.target.files?.[0])}
              />
            </label>
          }
        >
          <ol className="lut-steps">
            <li>
              <Slider
                label="Pull or push"
                says={`In ${profile.name}, before the conversion, by thirds`}
                min={-MOST_THIRDS}
                max={MOST_THIRDS}
                step={1}
                value={chain.thirds}
                shown={printStops(stops)}
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
              {chain.look !== 'none' && (
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
              )}
            </li>
          </ol>
          {problem && <p className="field-error">{problem}</p>}
        </Panel>
        <Panel title="Where tones land" note={`${profile.name}, in and out`}>
          {neutral && source && (
            <>
              <Landings rows={landingsOf(numbers, plan.placement, neutral, source.output)} />
              <ZebrasBehind neutral={neutral} output={source.output} />
            </>
          )}
        </Panel>
      </div>
    </div>
  );
};
