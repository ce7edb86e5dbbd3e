'use client';

import { between } from '#store/records/common.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { Folded } from '#ui/parts/Folded.tsx';
import { words } from '#ui/wording/kitTest.ts';
import type { CameraTest } from './useTest.ts';

const PERCENT = { schema: between(0, 110), says: words.percentRule };
const FIELDS = [
  ['assistOff', words.zebraOff],
  ['assistOn', words.zebraOn],
  ['assistPlaced', words.zebraPlaced],
] as const;
const EXAMPLE = 45;

/** Zebra levels as noted on set: no file holds them. */
export const ZebraNotes = ({ test: { bench, state, asked } }: { test: CameraTest }) => (
  <Folded title={words.zebraNotes}>
    <p className="quiet">{words.zebraHow}</p>
    <div className="test-zebra">
      {FIELDS.map(([key, label]) => (
        <NumberField
          key={key}
          size="sm"
          label={label}
          rule={PERCENT}
          value={state.zebra[key] ?? EXAMPLE}
          isExample={state.zebra[key] === undefined}
          onSet={(value) => {
            const zebra = { ...state.zebra, [key]: value };
            bench.prepare({ zebra });
            void bench.again({ ...asked, zebra });
          }}
        />
      ))}
    </div>
  </Folded>
);
