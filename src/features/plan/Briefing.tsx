'use client';

import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Brief } from '#store/records/setup.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { useEditSetup } from './useSetup.ts';

const SWITCHES = [
  ['graded', 'Will be graded'],
  ['live', 'Live'],
  ['hdr', 'HDR wanted'],
  ['changing', 'Light changes'],
  ['outside', 'Outside by day'],
] as const;

const NUMBERS = [
  ['minutesPerClip', 'Grading, min a clip', 0, 600, 1],
  ['clips', 'Clips', 0, 10_000, 1],
  ['minutes', 'Recorded, min a camera', 0, 10_000, 5],
] as const;

const NumberField = ({
  id,
  label,
  min,
  max,
  step,
  value,
  onSet,
}: {
  id: string;
  label: string;
  min: number;
  max: number;
  step: number;
  value: number;
  onSet: (value: number) => void;
}) => {
  const [text, setText] = useState<string>();
  const keep = () => {
    const typed = Number(text);
    if (text !== undefined && text.trim() !== '' && typed >= min && typed <= max && typed !== value)
      onSet(typed);
    setText(undefined);
  };
  return (
    <div className="anchor-third">
      <label htmlFor={`brief-${id}`}>{label}</label>
      <Form.Control
        id={`brief-${id}`}
        className="num"
        type="number"
        min={min}
        max={max}
        step={step}
        value={text ?? value}
        onChange={(event) => setText(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
      />
    </div>
  );
};

/** What the pictures are for: what profile advice, media and time go by. */
export const Briefing = () => {
  const { brief } = useSelection().setup;
  const editSetup = useEditSetup();
  const set = (label: string, part: Partial<Brief>) => editSetup(label, { brief: { ...brief, ...part } });
  return (
    <Panel title="What it is for">
      <div className="choices">
        {SWITCHES.map(([id, name]) => (
          <Toggle key={id} on={brief[id]} name={name} onFlip={() => set(name, { [id]: !brief[id] })} />
        ))}
        <Toggle
          on={brief.mains === 60}
          name={`Mains ${brief.mains} Hz`}
          onFlip={() => set('Mains', { mains: brief.mains === 50 ? 60 : 50 })}
        />
      </div>
      <div className="anchor-form">
        {NUMBERS.map(([id, label, min, max, step]) => (
          <NumberField
            key={id}
            id={id}
            label={label}
            min={min}
            max={max}
            step={step}
            value={brief[id]}
            onSet={(value) => set(label, { [id]: id === 'clips' ? Math.round(value) : value })}
          />
        ))}
      </div>
    </Panel>
  );
};
