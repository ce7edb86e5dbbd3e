'use client';

import { briefSchema, type Brief } from '#store/records/setup.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import { words } from '#ui/wording/plan.ts';

const SWITCHES = [
  ['graded', 'Will be graded'],
  ['live', 'Live'],
  ['hdr', 'HDR wanted'],
  ['changing', 'Light changes'],
  ['outside', 'Outside by day'],
] as const;

const NUMBERS = [
  ['minutesPerClip', 'Grading, min a clip', 'Type 0 to 600 minutes', 1],
  ['clips', 'Clips', 'Type how many, 0 to 10 000', 1],
  ['minutes', 'Recorded, min a camera', 'Type 0 to 10 000 minutes', 5],
] as const;

/** What the pictures are for: what profile advice, media and time go by. */
export const Briefing = () => {
  const { brief } = useSelection().setup;
  const editSetup = useEditSetup();
  const set = (label: string, part: Partial<Brief>) => editSetup(label, { brief: { ...brief, ...part } });
  return (
    <Panel title={words.whatItIsFor}>
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
        {NUMBERS.map(([id, label, says, step]) => (
          <NumberField
            key={id}
            className="anchor-third"
            label={label}
            rule={{ schema: briefSchema.shape[id], says }}
            step={step}
            value={brief[id]}
            onSet={(value) => set(label, { [id]: value })}
          />
        ))}
      </div>
    </Panel>
  );
};
