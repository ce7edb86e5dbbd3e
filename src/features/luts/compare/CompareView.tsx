'use client';

import { useMemo } from 'react';
import Form from 'react-bootstrap/Form';
import type { Compared } from '#workers/luts/protocol.ts';
import { useBench, useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import { Arithmetic } from '#ui/parts/Arithmetic.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { landingsOf, tonesOf } from '../landings.ts';
import type { LutSource } from '#ui/luts/lutSource.ts';
import { Below } from '../parts/Below.tsx';
import { GreyChart } from '../parts/GreyChart.tsx';
import { furthest, greyPoints } from '../parts/greyChartModel.ts';
import { Landings } from '../parts/Landings.tsx';
import { lossWord } from '#ui/luts/lossModel.ts';
import { LutPicture } from '#ui/luts/LutPicture.tsx';
import { SourceSelect } from '../parts/SourceSelect.tsx';
import { useAnswer, type Answer } from '#ui/bench/useAnswer.ts';
import { throughOf, useNeutral, useSource } from '../useSources.ts';
import { DifferencePlanes } from './DifferencePlanes.tsx';
import { furthestApart, greyAxisLoss } from './compareWords.ts';
import { words } from '#ui/wording/lutsCompare.ts';

/** How a LUT is looked at: as it is, or reduced to what a monitor loads and reads. */
const REDUCED = [
  ['', 'as it is'],
  [':65', '65 points'],
  [':33', '33 points'],
  [':17', '17 points'],
  [':33:trilinear', '33 points trilinear'],
  [':17:trilinear', '17 points trilinear'],
] as const;

const Side = ({ name, id, onPick }: { name: string; id: string; onPick: (id: string) => void }) => {
  const [whole, ...reduced] = id.split(':');
  const tail = reduced.map((part) => `:${part}`).join('');
  return (
    <div className="lut-side">
      <SourceSelect label={name} value={whole} onPick={(next) => onPick(`${next}${tail}`)} />
      <Form.Select
        size="sm"
        aria-label={`${name} as`}
        value={tail}
        onChange={(event) => onPick(`${whole}${event.target.value}`)}
      >
        {REDUCED.map(([value, says]) => (
          <option key={value} value={value}>
            {says}
          </option>
        ))}
      </Form.Select>
    </div>
  );
};

const useCompared = (a: LutSource | undefined, b: LutSource | undefined): Answer<Compared> => {
  const { luts } = useBench();
  const input = a && b && { a: a.spec, b: b.spec, output: a.output };
  return useAnswer({
    key: input,
    ask: async (signal) => (input ? luts.compare(input, { signal }) : { state: 'cancelled' }),
  });
};

/** Compare: two LUTs on the picture, over stops, and over the cube. */
export const CompareView = () => {
  const selection = useSelection();
  const { numbers } = useCard();
  const { session } = useBench();
  const compared = useSession(({ lutWork }) => lutWork.compared);
  const [aId, bId] = compared;
  const [a, b] = [useSource(aId), useSource(bId)];
  const [throughA, throughB] = [useMemo(() => throughOf(a), [a]), useMemo(() => throughOf(b), [b])];
  const [neutralA, neutralB] = [useNeutral(a), useNeutral(b)];
  const { answer: found, problem } = useCompared(a, b);
  const { plan, profile } = selection;
  const lines = useMemo(
    () =>
      [neutralA, neutralB].flatMap((neutral, i) =>
        neutral
          ? [{ name: i === 0 ? 'A' : 'B', points: greyPoints(numbers.profile, numbers.clipStops, neutral) }]
          : [],
      ),
    [numbers, neutralA, neutralB],
  );
  const apart = lines.length === 2 ? furthest(lines[0].points, lines[1].points) : undefined;
  const top = found ? Math.max(1, found.loss.worst) : 1;
  return (
    <div className="luts">
      <div className="luts-main">
        <Panel
          title={words.aLeftBRight}
          className="luts-picture"
          note={
            problem ??
            (found && words.deltaMeanWorst(found.loss.mean.toFixed(2), found.loss.worst.toFixed(1)))
          }
        >
          <LutPicture through={throughA} name="A" over={throughB && { through: throughB, name: 'B' }} />
        </Panel>
        <Below
          sheets={{
            curve: {
              name: words.overStops,
              note: apart && furthestApart(apart),
              body: <GreyChart lines={lines} tones={tonesOf(numbers, plan.placement)} />,
            },
            tones: {
              name: words.whereTonesLand,
              note: `${profile.name}: A, and B as the other`,
              body: neutralA && neutralB && a && b && (
                <Landings
                  rows={landingsOf(numbers, plan.placement, neutralA, a.output)}
                  others={landingsOf(numbers, plan.placement, neutralB, b.output)}
                />
              ),
            },
          }}
        />
      </div>
      <div className="luts-side">
        <Panel title={words.whatIsCompared}>
          <Side name="A" id={aId} onPick={(id) => session.luts.compare([id, bId])} />
          <Side name="B" id={bId} onPick={(id) => session.luts.compare([aId, id])} />
        </Panel>
        <Panel title={words.overTheCube} note={found && lossWord(found.loss)}>
          {found && (
            <>
              <DifferencePlanes map={found.map} top={top} />
              <p className="quiet small lut-map-says">
                Planes of blue from 0 to 100 %; red to the right, green up. Dark: alike; brightest: ΔE{' '}
                {top.toFixed(1)}.
              </p>
              <Arithmetic
                lines={[
                  {
                    label: words.meanAndWorstE,
                    value: `${found.loss.mean.toFixed(2)}, ${found.loss.worst.toFixed(1)}`,
                  },
                  {
                    label: words.worstAtInput,
                    value: found.loss.at.map((v) => `${(100 * v).toFixed(0)} %`).join(' '),
                  },
                  {
                    label: words.greyAxis,
                    value: greyAxisLoss(found.loss),
                  },
                ]}
              />
            </>
          )}
        </Panel>
      </div>
    </div>
  );
};
