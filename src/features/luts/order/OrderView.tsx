'use client';

import { useMemo } from 'react';
import type { GradeCorrection, Order, OrderLoss } from '#core/grade/order.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import type { LutRecipe } from '#core/lut/recipe.ts';
import { printSigned, printStops, printStopsDecimal } from '#core/units.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import { useBench, useSelection, useSession } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { LutPicture } from '#ui/luts/LutPicture.tsx';
import { Slider } from '#ui/parts/Slider.tsx';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { OutputScope } from '#ui/luts/OutputScope.tsx';
import { words } from '#ui/wording/lutsOrder.ts';

const NAMES: { readonly [K in Order]: string } = {
  before: 'Before the conversion',
  after: 'After the conversion',
};
const SAYS: { readonly [K in Order]: string } = {
  before: 'a gain on the recording’s light',
  after: 'the same gain on the picture’s light',
};
const percent = (v: number) => `${(100 * v).toFixed(v > 0 && v < 0.001 ? 3 : 1)} %`;

const useOrderLoss = (spec: { readonly recipe: LutRecipe; readonly correction: GradeCorrection }) => {
  const { session } = useBench();
  const serial = useSession(({ frame }) => frame?.serial);
  return useAnswer<OrderLoss>({
    key: serial === undefined ? undefined : [serial, spec],
    ask: (signal) => session.look.order(spec, { signal }),
  });
};

const Way = ({ order, spec, output }: { order: Order; spec: LutSpec; output: 'bt1886' }) => {
  const through = useMemo(() => ({ spec, output }), [spec, output]);
  return (
    <Panel title={NAMES[order]} note={SAYS[order]} className="lut-way">
      <LutPicture through={through} name={NAMES[order]} />
      <OutputScope spec={spec} pane={`order-scope-${order}`} name={NAMES[order]} />
    </Panel>
  );
};

const bothApart = (after: number, before: number) => {
  const one = `Done after, everything over ${printStopsDecimal(after)} is one tone`;
  return `${one}; done before, tones stay apart to ${printStopsDecimal(before)}.`;
};

/** What is lost, as a sentence. */
const verdictOf = ({ before, after, worst }: OrderLoss): string => {
  if (worst < 0.5) return 'Nothing to put right: both are the same picture.';
  const levels = before.levels - after.levels;
  const stops = before.apartTo - after.apartTo;
  if (stops > 1 / 3) return bothApart(after.apartTo, before.apartTo);
  if (levels > 10) return `Done after, ${levels} of ${before.levels} levels over grey are gone.`;
  if (after.topped - before.topped > 0.001)
    return `Done after, ${percent(after.topped - before.topped)} more of the picture sits at the top.`;
  return 'Little is lost here: the correction is small, or nothing lies high.';
};

type Lost = { readonly name: string; readonly before: string; readonly after: string };
const LOST_COLUMNS: readonly Column<Lost>[] = [
  { id: 'what', header: words.onThisFrame, cell: ({ name }) => name },
  { id: 'before', header: words.before, className: 'num', cell: ({ before }) => before },
  { id: 'after', header: words.after, className: 'num', cell: ({ after }) => after },
];

/** Order matters: the same correction on the same frame, before and after the conversion. */
export const OrderView = () => {
  const selection = useSelection();
  const { session } = useBench();
  const correction = useSession(({ lutWork }) => lutWork.correction);
  const { profile, plan } = selection;
  // What a grader starts from: the conversion with the pull of the placement.
  const recipe = useMemo(
    () => monitoringRecipe({ profile: profile.data, pullStops: plan.placement }),
    [profile.data, plan.placement],
  );
  const spec = useMemo(() => ({ recipe, correction }), [recipe, correction]);
  const specs = useMemo(() => {
    const of = (order: Order): LutSpec => ({ kind: 'corrected', recipe, correction, order });
    return { before: of('before'), after: of('after') };
  }, [recipe, correction]);
  const { answer: loss, problem } = useOrderLoss(spec);
  const set = session.luts.correct;
  const rows = loss && [
    {
      name: words.aChannelAtThe,
      before: percent(loss.before.topped),
      after: percent(loss.after.topped),
    },
    { name: words.allThreeWhite, before: percent(loss.before.white), after: percent(loss.after.white) },
    {
      name: words.levelsOverGrey10,
      before: String(loss.before.levels),
      after: String(loss.after.levels),
    },
    {
      name: words.neutralsStayApartTo,
      before: printStopsDecimal(loss.before.apartTo),
      after: printStopsDecimal(loss.after.apartTo),
    },
  ];
  return (
    <div className="luts-order">
      <div className="lut-ways">
        <Way order="before" spec={specs.before} output="bt1886" />
        <Way order="after" spec={specs.after} output="bt1886" />
      </div>
      <div className="lut-ways">
        <Panel title={words.theCorrection} note={words.onToBt1886(profile.name, printStops(-plan.placement))}>
          <Slider
            label={words.exposure}
            says={words.stopsOfLightLess}
            min={-3}
            max={3}
            step={1 / 3}
            value={correction.stops}
            shown={printStops(correction.stops)}
            moved={correction.stops !== 0}
            onSet={(stops) => set({ stops: Math.round(3 * stops) / 3 })}
            onReset={() => set({ stops: 0 })}
          />
          <Slider
            label={words.balance}
            says={words.miredWarmer}
            min={-120}
            max={120}
            step={5}
            value={correction.mired}
            shown={correction.mired === 0 ? '0' : `${printSigned(correction.mired)} mired`}
            moved={correction.mired !== 0}
            onSet={(mired) => set({ mired })}
            onReset={() => set({ mired: 0 })}
          />
          <p className="quiet small mb-0">
            Exposure and balance belong before the conversion, in log or linear light. After it only material
            that is a picture already.
          </p>
        </Panel>
        <Panel
          title={words.whatIsLost}
          note={problem ?? (loss && words.deltaApart(loss.mean.toFixed(1), loss.worst.toFixed(0)))}
        >
          {loss && rows && (
            <>
              <p className="lut-lost" data-order-verdict>
                {verdictOf(loss)}
              </p>
              <DataTable
                label={words.whatIsLostOn}
                className="figures words"
                columns={LOST_COLUMNS}
                rows={rows}
                rowKey={({ name }) => name}
              />
            </>
          )}
        </Panel>
      </div>
    </div>
  );
};
