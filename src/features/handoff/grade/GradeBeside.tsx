'use client';

import { useState } from 'react';
import { gradeFor, NO_TRIM, type OutputTrim } from '#core/grade/deliverables.ts';
import { brighterOn, PLAIN_DISPLAYS } from '#core/grade/plainDisplays.ts';
import { OUTPUT_IDS, OUTPUTS, outputOf, type OutputId } from '#core/lut/outputs.ts';
import { printSigned } from '#core/units.ts';
import { otherOutputs, outputIdOf, trimOf } from '#ui/bench/grade/gradeModel.ts';
import { LutPicture } from '#ui/luts/LutPicture.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Slider } from '#ui/parts/Slider.tsx';
import { useSame } from '#ui/useSame.ts';
import { words } from '#ui/wording/gradeLight.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import { Choice } from './Choice.tsx';
import { ContentLightLine } from './ContentLightLine.tsx';
import { MOVING_POINTS, type GradeAtHand } from './useGrade.ts';

type Shown = 'picture' | 'light';

/** What a plain display makes of an SDR picture: grey and a shadow, in stops. */
const PlainDisplays = ({ grey }: { grey: number }) => (
  <p className="grade-figures quiet">
    {PLAIN_DISPLAYS.map(({ power, name }) =>
      words.plainDisplay(
        name,
        printSigned(brighterOn(power, grey), 2),
        printSigned(brighterOn(power, 0.1), 2),
      ),
    ).join(' ')}
  </p>
);

const Deliverable = ({
  spec,
  output,
  shown,
}: {
  spec: LutSpec;
  output: OutputId;
  /** Not at all where the one picture stands above already. */
  shown?: Shown;
}) => {
  const { name, range, grey } = outputOf(output);
  const isLight = shown === 'light';
  const through = useSame(
    isLight && spec.kind === 'grade'
      ? { spec: { ...spec, falseLight: true }, output: 'bt1886' as const }
      : { spec, output },
  );
  return (
    <figure>
      <figcaption>{name}</figcaption>
      {shown && <LutPicture through={through} name={isLight ? words.lightOf(name) : name} />}
      <ContentLightLine spec={spec} />
      {range === 'SDR' && <PlainDisplays grey={grey} />}
    </figure>
  );
};

/** What moves for the other deliverable alone. */
const Trim = ({
  trim,
  onMove,
  onSettle,
  onSet,
}: {
  trim: OutputTrim;
  onMove: (trim: OutputTrim) => void;
  onSettle: () => void;
  onSet: (trim: OutputTrim) => void;
}) => (
  <div className="grade-values">
    <Slider
      label={words.trimLight}
      says={words.trimLightSays}
      min={-2}
      max={2}
      step={0.05}
      value={trim.stops}
      shown={words.stopsOf(printSigned(trim.stops || 0, 2))}
      moved={trim.stops !== 0}
      onSet={(stops) => onMove({ ...trim, stops })}
      onCommit={onSettle}
      onReset={() => onSet({ ...trim, stops: NO_TRIM.stops })}
    />
    <Slider
      label={words.trimColour}
      says={words.trimColourSays}
      min={0.5}
      max={1.5}
      step={0.01}
      value={trim.saturation}
      shown={words.timesOf(trim.saturation.toFixed(2))}
      moved={trim.saturation !== 1}
      onSet={(saturation) => onMove({ ...trim, saturation })}
      onCommit={onSettle}
      onReset={() => onSet({ ...trim, saturation: NO_TRIM.saturation })}
    />
  </div>
);

/** One grade for SDR and for HDR, beside each other: as pictures, and by their light. */
export const GradeBeside = ({ hand }: { hand: GradeAtHand }) => {
  const { record, grade, spec, looks } = hand;
  const own = outputIdOf(record);
  const [other] = otherOutputs(record);
  const [shown, setShown] = useState<Shown>('picture');
  const [moving, setMoving] = useState<OutputTrim>();
  const trim = moving ?? (other ? trimOf(record, other) : NO_TRIM);
  const beside = useSame<LutSpec | undefined>(
    other && {
      kind: 'grade',
      grade: gradeFor(grade, { output: other, peak: record.peak, trim }),
      looks,
      ...(moving ? { points: MOVING_POINTS } : {}),
    },
  );
  const keep = (next: OutputTrim) => {
    setMoving(undefined);
    if (other) hand.choose(words.trimOf(OUTPUTS[other].name), { trims: { [other]: next } });
  };
  return (
    <Panel
      title={words.beside}
      note={words.besideSays}
      tools={
        <Segmented
          label={words.shownAs}
          options={[
            { id: 'picture' as Shown, name: words.picture },
            { id: 'light' as Shown, name: words.light },
          ]}
          value={shown}
          onPick={setShown}
        />
      }
    >
      <div className="exports">
        <Choice
          label={words.other}
          value={other ?? ''}
          options={[
            { id: '', name: words.none },
            ...OUTPUT_IDS.filter((id) => id !== own).map((id) => ({ id, name: OUTPUTS[id].name })),
          ]}
          onPick={(id) => {
            setMoving(undefined);
            hand.choose(words.other, { trims: id === '' ? undefined : { [id]: NO_TRIM } });
          }}
        />
        {other && (
          <Trim trim={trim} onMove={setMoving} onSettle={() => moving && keep(moving)} onSet={keep} />
        )}
      </div>
      <div className="grade-beside">
        <Deliverable spec={spec} output={own} shown={other || shown === 'light' ? shown : undefined} />
        {other && beside && <Deliverable spec={beside} output={other} shown={shown} />}
      </div>
      {shown === 'light' && <p className="grade-figures quiet">{words.lightSays}</p>}
      {other && <p className="grade-figures quiet">{words.bothInBundle}</p>}
    </Panel>
  );
};
