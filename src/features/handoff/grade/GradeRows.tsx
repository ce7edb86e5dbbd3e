'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
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
import type { GradeRead } from '#workers/judge/gradeProtocol.ts';
import { outputIdOf, schoolsOf, toneIdOf, withNewRow } from '#ui/bench/grade/gradeModel.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/grade.ts';
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
      <Form.Select
        size="sm"
        aria-label={words.output}
        title={OUTPUTS[output].says}
        value={output}
        onChange={({ target: { value } }) => hand.choose(words.output, { output: value })}
      >
        {OUTPUT_IDS.map((id) => (
          <option key={id} value={id}>
            {OUTPUTS[id].name}
          </option>
        ))}
      </Form.Select>
      {OUTPUTS[output].peaks.length > 1 && (
        <Form.Select
          size="sm"
          aria-label={words.peak}
          value={hand.record.peak}
          onChange={({ target: { value } }) => hand.choose(words.peak, { peak: Number(value) })}
        >
          {OUTPUTS[output].peaks.map((peak) => (
            <option key={peak} value={peak}>
              {words.peakOf(peak)}
            </option>
          ))}
        </Form.Select>
      )}
      <Form.Select
        size="sm"
        aria-label={words.toneScale}
        title={TONE_PRESETS[tone].says}
        value={tone}
        onChange={({ target: { value } }) => hand.choose(words.toneScale, { tone: value })}
      >
        {TONE_PRESET_IDS.map((id) => (
          <option key={id} value={id}>
            {TONE_PRESETS[id].name}
          </option>
        ))}
      </Form.Select>
    </li>
  );
};

/** A kind more, or rows of a common starting point that explain themselves. */
const More = ({ hand }: { hand: GradeAtHand }) => {
  const [point, setPoint] = useState<StartingPointId>();
  return (
    <div className="grade-more">
      <Form.Select
        size="sm"
        aria-label={words.addRow}
        value=""
        onChange={({ target: { value } }) =>
          hand.set(words.addRow, withNewRow(hand.rows, value as GradeKindId, GRADE_KIND_IDS))
        }
      >
        <option value="">{words.addRow}</option>
        {GRADE_KIND_IDS.map((id) => (
          <option key={id} value={id}>
            {GRADE_KINDS[id].name}
          </option>
        ))}
      </Form.Select>
      <Form.Select
        size="sm"
        aria-label={words.startPoints}
        value={point ?? ''}
        onChange={({ target: { value } }) => setPoint(value === '' ? undefined : (value as StartingPointId))}
      >
        <option value="">{words.startPoints}</option>
        {STARTING_POINT_IDS.map((id) => (
          <option key={id} value={id}>
            {STARTING_POINTS[id].name}
          </option>
        ))}
      </Form.Select>
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
