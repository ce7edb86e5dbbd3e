'use client';

import { parseAsBoolean, useQueryState } from 'nuqs';
import { useMemo } from 'react';
import Form from 'react-bootstrap/Form';
import { HDR_WHITE } from '#core/lut/loss.ts';
import { compileRecipe } from '#core/lut/recipe.ts';
import { OUTPUT_IDS, OUTPUTS } from '#core/lut/outputs.ts';
import { rawNotes } from '#store/records/raw.ts';
import { useCard, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { landingsOf, tonesOf } from '../landings.ts';
import { recipeNotes } from '#ui/luts/lutWords.ts';
import { buildName, recipeOf, recordOf } from '../lutModel.ts';
import { Below } from '../parts/Below.tsx';
import { CurveOver } from '../parts/CurveOver.tsx';
import { GreyChart } from '../parts/GreyChart.tsx';
import { greyPoints } from '../parts/greyChartModel.ts';
import { Landings } from '../parts/Landings.tsx';
import { useLaid } from '../parts/useLaid.ts';
import { LutPicture } from '#ui/luts/LutPicture.tsx';
import { ZebrasBehind } from '../parts/ZebrasBehind.tsx';
import { WriteFile } from '#ui/luts/WriteFile.tsx';
import { throughOf, useSource } from '../useSources.ts';
import { Monitors } from './Monitors.tsx';
import { useBuild } from './useBuild.ts';
import { TonePanel } from './TonePanel.tsx';
import { words } from '#ui/wording/lutsBuild.ts';

/** Build: from the card’s profile to a display, with the pull of the placement and a tone scale. */
export const BuildView = () => {
  const selection = useSelection();
  const { numbers } = useCard();
  const profiles = useRecords((records) => records.profiles);
  const { build, set } = useBuild();
  const [over, setOver] = useQueryState('over', parseAsBoolean.withDefault(false));
  const { plan, profile, camera } = selection;
  const recipe = useMemo(() => recipeOf(build, selection), [build, selection]);
  const compiled = useMemo(() => compileRecipe(recipe), [recipe]);
  const source = useSource('build');
  const through = useMemo(() => throughOf(source), [source]);
  const points = useMemo(
    () => greyPoints(numbers.profile, numbers.clipStops, compiled.neutral),
    [numbers, compiled],
  );
  useLaid('out, 0 to 100 %', points);
  const rows = landingsOf(numbers, plan.placement, compiled.neutral, build.output);
  const name = buildName(build, selection);
  const record = useMemo(() => recordOf('new', name, recipe, camera.coding), [name, recipe, camera.coding]);
  return (
    <div className="luts">
      <div className="luts-main">
        <Panel
          title={OUTPUTS[build.output].name}
          note={OUTPUTS[build.output].says}
          className="luts-picture"
          tools={
            <>
              <Toggle
                on={over}
                name={words.curve}
                says={words.theCurveOverThe}
                onFlip={() => void setOver(!over)}
              />
              <Segmented
                label={words.output}
                options={OUTPUT_IDS.map((id) => ({
                  id,
                  name: id === 'bt1886' ? 'BT.1886' : OUTPUTS[id].name,
                  says: OUTPUTS[id].says,
                }))}
                value={build.output}
                onPick={(output) => set(OUTPUTS[output].name, { output, moved: {} })}
              />
              {build.output === 'pq' && (
                <Form.Select
                  size="sm"
                  aria-label={words.peakOfTheDisplay}
                  value={build.peak}
                  onChange={(event) => set('peak', { peak: Number(event.target.value) })}
                >
                  {OUTPUTS.pq.peaks.map((peak) => (
                    <option key={peak} value={peak}>
                      {peak} cd/m²
                    </option>
                  ))}
                </Form.Select>
              )}
            </>
          }
        >
          <LutPicture through={through} name={name}>
            {over && <CurveOver points={points} />}
            {OUTPUTS[build.output].range === 'HDR' && (
              <span className="lut-note">This screen cuts what lies over {HDR_WHITE} cd/m²</span>
            )}
          </LutPicture>
        </Panel>
        <Below
          sheets={{
            curve: {
              name: words.curve,
              note: `${profile.name} to ${OUTPUTS[build.output].name}`,
              body: <GreyChart lines={[{ name, points }]} tones={tonesOf(numbers, plan.placement)} />,
            },
            kit: {
              name: words.kitAndMonitors,
              note: `for ${selection.setup.name}, ${camera.name}`,
              body: <Monitors record={record} />,
            },
            file: {
              name: words.file,
              body: (
                <WriteFile
                  source={source}
                  name={`${selection.setup.name} ${camera.name} ${name}`}
                  notes={[
                    ...rawNotes({ plan, camera, profiles }),
                    ...recipeNotes(recipe, profile.name, profile.data.band),
                  ]}
                />
              ),
            },
          }}
        />
      </div>
      <div className="luts-side">
        <Panel title={words.whereTonesLand} note={words.inAndOut(profile.name)}>
          <Landings rows={rows} />
        </Panel>
        <TonePanel recipe={recipe} compiled={compiled} />
        <ZebrasBehind neutral={compiled.neutral} output={build.output} />
      </div>
    </div>
  );
};
