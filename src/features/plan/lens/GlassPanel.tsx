'use client';

import { neutralOf } from '#core/colour/lean.ts';
import { printSigned, printStopsDecimal, printStopsOf } from '#core/units.ts';
import { GLASS_IDS, GLASS_LOSS, knownGlass, type GlassId } from '#core/exposure/glassLoss.ts';
import { frameMean } from '#core/exposure/meterTarget.ts';
import { GLASS, glassSum, glassWarnings, veilStops } from '#core/lens/glass.ts';
import { fitting } from '#store/records/bag.ts';
import { useEditPlan, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { printKelvin } from '#ui/format.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { words } from '#ui/wording/planLens.ts';
import { useSurvey } from '../useSurvey.ts';
import { printShare } from './printLens.ts';

const lossOf = (id: GlassId): string => {
  const { stops } = GLASS_LOSS[id];
  const { within } = GLASS[id];
  if (stops === 0) return '';
  return `${words.takesStops(printStopsOf(stops))}${within > 0 ? ` ${words.within(within.toFixed(1))}` : ''}. `;
};

/** What the pieces together come to: loss, turn of colour, veil. */
const Sum = ({ ids }: { ids: readonly GlassId[] }) => {
  const { plan, camera, setup } = useSelection();
  const records = useRecords();
  const survey = useSurvey();
  const sum = glassSum(ids);
  const mean = survey.ok ? frameMean(survey.value) : undefined;
  const sets = fitting([...records.ndSets.values()], camera);
  const warnings = glassWarnings(
    ids,
    {
      stops: plan.ndStops,
      pieces: plan.ndStops > 0 ? 1 : 0,
      hasVariable: sets.some(({ id, kind }) => id === plan.ndSetId && kind === 'variable'),
    },
    setup.water !== undefined,
  );
  const turned = neutralOf(plan.kelvin, -sum.mired);
  return (
    <>
      {sum.stops > 0 && (
        <p>{words.sum(`${printStopsOf(sum.stops)} ${words.within(sum.within.toFixed(1))}`)}</p>
      )}
      {sum.mired !== 0 && (
        <p>
          {words.turns(
            printKelvin(Math.round(turned / 50) * 50),
            printKelvin(plan.kelvin),
            printSigned(sum.tint),
          )}
        </p>
      )}
      {sum.veil > 0 && (
        <p>
          {mean
            ? words.veil(printStopsDecimal(veilStops(sum.veil, mean.mean)), printShare(sum.veil))
            : words.veilNoMean(printShare(sum.veil))}
        </p>
      )}
      {warnings.map((text) => (
        <p key={text} className="text-warn">
          {text}
        </p>
      ))}
    </>
  );
};

/** Glass that is not grey: what stands before the lens, what it does, what to watch. */
export const GlassPanel = () => {
  const { plan } = useSelection();
  const editPlan = useEditPlan();
  const ids = knownGlass(plan.glass);
  const flip = (id: GlassId) =>
    editPlan(words.setGlass, {
      glass: GLASS_IDS.filter((one) => (one === id ? !ids.includes(id) : ids.includes(one))),
    });
  return (
    <Panel title={words.glass} note={words.glassNote}>
      <div className="choices">
        {GLASS_IDS.map((id) => (
          <Toggle
            key={id}
            on={ids.includes(id)}
            name={GLASS_LOSS[id].name}
            says={GLASS[id].does}
            onFlip={() => flip(id)}
          />
        ))}
      </div>
      <Sum ids={ids} />
      {ids.length === 0 && <p className="quiet mb-0">{words.noGlass}</p>}
      {ids.length > 0 && (
        <>
          <ul className="index-does">
            {ids.map((id) => (
              <li key={id}>
                <strong>{GLASS_LOSS[id].name}</strong> {lossOf(id)}
                {GLASS[id].does} {GLASS[id].watch}
              </li>
            ))}
          </ul>
          <p className="quiet mb-0">{words.about}</p>
        </>
      )}
    </Panel>
  );
};
