'use client';

import Form from 'react-bootstrap/Form';
import { UNKNOWN_GAMUT } from '#core/colour/gamut.ts';
import { COMPRESS_FROM } from '#core/lut/compressFrom.ts';
import type { CompiledRecipe, LutRecipe } from '#core/lut/recipe.ts';
import { TONE_PRESET_IDS, TONE_PRESETS } from '#core/lut/toneScale.ts';
import { TONE_SAYS } from '#core/lut/toneWords.ts';
import { printStops } from '#core/units.ts';
import { useCard, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { matchOf } from '../lutModel.ts';
import { outsideWords } from '#ui/bench/match/outsideWords.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Slider } from '#ui/parts/Slider.tsx';
import { toneFields, whiteOut, withTone } from './toneFields.ts';
import { useBuild } from './useBuild.ts';
import { words } from '#ui/wording/lutsBuild.ts';

const MOST_PULL = 9;

/** Where compressing may begin, with where it begins now. */
const compressChoices = (now: number | undefined): number[] =>
  [...new Set<number>([...COMPRESS_FROM.offered, ...(now === undefined ? [] : [now])])].sort((a, b) => a - b);

/** Pull and tone scale of the LUT being built: presets, and each of their numbers by a slider. */
export const TonePanel = ({ recipe, compiled }: { recipe: LutRecipe; compiled: CompiledRecipe }) => {
  const selection = useSelection();
  const { plan } = selection;
  const match = matchOf(selection);
  const far = match && outsideWords(match);
  const heroName = useRecords(({ cameras }) => cameras.get(match?.heroCameraId ?? '')?.name);
  const { numbers } = useCard();
  const { build, move, commit, set } = useBuild();
  return (
    <Panel
      title={words.tone}
      tools={
        <Form.Select
          size="sm"
          aria-label={words.pull}
          value={build.pull === undefined ? 'plan' : String(Math.round(3 * build.pull))}
          onChange={(event) =>
            set('pull', {
              pull: event.target.value === 'plan' ? undefined : Number(event.target.value) / 3,
            })
          }
        >
          <option value="plan">pull of the placement, {printStops(-plan.placement)}</option>
          {Array.from({ length: 2 * MOST_PULL + 1 }, (_, i) => MOST_PULL - i).map((thirds) => (
            <option key={thirds} value={thirds}>
              {thirds === 0 ? words.noPull : `${thirds > 0 ? 'pull' : 'push'} ${printStops(-thirds / 3)}`}
            </option>
          ))}
        </Form.Select>
      }
    >
      <Segmented
        label={words.toneScale}
        options={TONE_PRESET_IDS.map((id) => ({
          id,
          name: TONE_PRESETS[id].name,
          says: TONE_SAYS[id],
        }))}
        value={build.preset}
        onPick={(preset) => set(preset, { preset, moved: {} })}
      />
      <Form.Group className="tone-gamut" controlId="gamut-map">
        <Form.Label className="mb-0">{words.coloursOutside}</Form.Label>
        <Form.Select
          size="sm"
          disabled={recipe.profile.gamut === UNKNOWN_GAMUT}
          value={build.gamutMap ? String(build.gamutMap.from) : 'cut'}
          onChange={({ target: { value } }) =>
            set(words.coloursOutside, {
              gamutMap: value === 'cut' ? undefined : { kind: 'compress', from: Number(value) },
            })
          }
        >
          <option value="cut">{words.cutAtZero}</option>
          {compressChoices(build.gamutMap?.from).map((from) => (
            <option key={from} value={from}>
              {words.towardsGreyFrom(from.toFixed(2))}
            </option>
          ))}
        </Form.Select>
        {recipe.profile.gamut === UNKNOWN_GAMUT && <p className="quiet">{words.gamutIsUnknown}</p>}
      </Form.Group>
      {match && heroName !== undefined && (
        <Form.Check
          type="switch"
          id="lut-matched"
          label={words.matchBakedIn(heroName)}
          title={words.matchBakedInSays}
          checked={build.matched === true}
          onChange={({ target }) => set('match', { matched: target.checked || undefined })}
        />
      )}
      {build.matched && far !== undefined && <p className="field-error">{far}</p>}
      {toneFields(build, { white: whiteOut(recipe, compiled, numbers.profile) }).map(({ id, ...field }) => (
        <Slider
          key={id}
          {...field}
          onSet={(value) => move(withTone(build, id, value))}
          onCommit={() => commit(field.label)}
          onReset={() => {
            move(withTone(build, id, undefined));
            commit(field.label);
          }}
        />
      ))}
    </Panel>
  );
};
