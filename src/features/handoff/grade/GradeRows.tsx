'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { GRADE_KIND_IDS, GRADE_KINDS, type GradeKindId } from '#core/grade/rows/rowKinds.ts';
import type { GradeSide } from '#core/grade/rows/types.ts';
import { GRADE_SCHOOLS, type GradeSchoolId } from '#core/grade/start/schools.ts';
import {
  STARTING_POINTS,
  STARTING_POINT_IDS,
  type StartingPointId,
} from '#core/grade/start/startingPoints.ts';
import { OUTPUT_IDS, OUTPUTS } from '#core/lut/outputs.ts';
import { TONE_PRESET_IDS, TONE_PRESETS } from '#core/lut/toneScale.ts';
import { TONE_SAYS } from '#core/lut/toneWords.ts';
import type { GradeRead } from '#workers/judge/gradeProtocol.ts';
import { outputIdOf, schoolsOf, toneIdOf, withNewRow } from '#ui/bench/grade/gradeModel.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/grade.ts';
import { Choice } from './Choice.tsx';
import { GradeRowLine, type RowTools } from './GradeRowLine.tsx';
import type { GradeAtHand } from './useGrade.ts';

/** Where practitioners differ: each school a choice. */
const Schools = ({ hand }: { hand: GradeAtHand }) => {
  const schools = schoolsOf(hand.record);
  const chosen = (Object.keys(GRADE_SCHOOLS) as GradeSchoolId[]).map((id) => {
    const { name, options } = GRADE_SCHOOLS[id];
    return `${name.toLowerCase()} ${(options as Record<string, { readonly name: string }>)[schools[id]].name}`;
  });
  return (
    <Folded title={<span className="quiet">{words.bySchools(chosen.join(', '))}</span>}>
      <div className="grade-schools">
        {(Object.keys(GRADE_SCHOOLS) as GradeSchoolId[]).map((id) => {
          const { name, options } = GRADE_SCHOOLS[id];
          return (
            <div key={id}>
              <span className="quiet">{name}</span>
              <Segmented
                label={name}
                options={Object.entries(options).map(([key, option]) => ({ id: key, ...option }))}
                value={schools[id]}
                onPick={(key) =>
                  hand.choose(words.schoolOf(name), { schools: { ...schools, [id]: key }, rows: [] })
                }
              />
            </div>
          );
        })}
      </div>
    </Folded>
  );
};

/** The conversion between the two lists. */
const Conversion = ({ hand }: { hand: GradeAtHand }) => {
  const output = outputIdOf(hand.record);
  const tone = toneIdOf(hand.record);
  return (
    <li className="grade-row grade-conversion">
      <strong>{words.conversion}</strong>
      <Choice
        label={words.output}
        says={OUTPUTS[output].says}
        value={output}
        options={OUTPUT_IDS.map((id) => ({ id, name: OUTPUTS[id].name }))}
        onPick={(id) => hand.choose(words.output, { output: id })}
      />
      {OUTPUTS[output].peaks.length > 1 && (
        <Choice
          label={words.peak}
          value={String(hand.record.peak)}
          options={OUTPUTS[output].peaks.map((peak) => ({ id: String(peak), name: words.peakOf(peak) }))}
          onPick={(id) => hand.choose(words.peak, { peak: Number(id) })}
        />
      )}
      <Choice
        label={words.toneScale}
        says={TONE_SAYS[tone]}
        value={tone}
        options={TONE_PRESET_IDS.map((id) => ({ id, name: TONE_PRESETS[id].name }))}
        onPick={(id) => hand.choose(words.toneScale, { tone: id })}
      />
    </li>
  );
};

/** A kind more, or rows of a common starting point that explain themselves. */
const More = ({ hand }: { hand: GradeAtHand }) => {
  const [point, setPoint] = useState<StartingPointId>();
  // Without a match that is kept its row has nothing to do.
  const kinds = GRADE_KIND_IDS.filter((id) => id !== 'match' || hand.grade.match !== undefined);
  return (
    <div className="grade-more">
      <Choice
        label={words.addRow}
        value=""
        options={[{ id: '', name: words.addRow }, ...kinds.map((id) => ({ id, name: GRADE_KINDS[id].name }))]}
        onPick={(id) => hand.set(words.addRow, withNewRow(hand.rows, id as GradeKindId))}
      />
      <Choice
        label={words.startPoints}
        value={point ?? ''}
        options={[
          { id: '', name: words.startPoints },
          ...STARTING_POINT_IDS.map((id) => ({ id, name: STARTING_POINTS[id].name })),
        ]}
        onPick={(id) => setPoint(id === '' ? undefined : (id as StartingPointId))}
      />
      {point !== undefined && (
        <div className="grade-point">
          <p>{STARTING_POINTS[point].says(hand.grade)}</p>
          <Button
            size="sm"
            variant="outline-secondary"
            onClick={() => {
              hand.set(STARTING_POINTS[point].name, STARTING_POINTS[point].rows(hand.grade));
              setPoint(undefined);
            }}
          >
            {words.putIn}
          </Button>
        </div>
      )}
    </div>
  );
};

/** The list of operations, in the order in which they are done. */
export const GradeRows = ({
  hand,
  read,
  tools,
}: {
  hand: GradeAtHand;
  read?: GradeRead;
  tools: RowTools;
}) => {
  const [open, setOpen] = useState<string>();
  const list = (side: GradeSide) =>
    hand.rows
      .filter((row) => row.side === side)
      .map((row) => (
        <GradeRowLine
          key={row.id}
          {...{ hand, row, read, tools }}
          isOpen={open === row.id}
          onOpen={() => setOpen(open === row.id ? undefined : row.id)}
        />
      ));
  return (
    <Panel
      title={words.rows}
      className="grade-list"
      tools={
        <Button
          size="sm"
          variant="outline-secondary"
          title={hand.isKept ? words.startAgainSays : words.keepSays}
          onClick={() => (hand.isKept ? hand.startAgain() : hand.set(words.keepIt, hand.rows))}
        >
          {hand.isKept ? words.startAgain : words.keepIt}
        </Button>
      }
    >
      <p className="quiet grade-ground">{hand.isKept ? words.kept : words.proposed}</p>
      <Schools hand={hand} />
      <ol>
        {list('before')}
        <Conversion hand={hand} />
        {list('after')}
      </ol>
      <More hand={hand} />
    </Panel>
  );
};
