'use client';

import Form from 'react-bootstrap/Form';
import { between } from '#store/records/common.ts';
import {
  CARDS,
  EXPOSURE_BY,
  TEST_LENGTH_IDS,
  TEST_LENGTHS,
  TEST_LIGHTS,
  type CardKind,
  type ExposureBy,
  type TestHave,
  type TestLight,
} from '#core/cameraTest/types.ts';
import { minutesOf, shotList } from '#core/cameraTest/shotKinds.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/kitTest.ts';
import type { CameraTest } from './useTest.ts';

const KELVIN = { schema: between(1500, 15_000), says: words.kelvinRule };
const DAYLIGHT = 5600;

const CHECKS = [
  ['colours', words.colours],
  ['chip', words.chip],
  ['ring', words.ring],
  ['tripod', words.tripod],
] as const;

/** What somebody has: the list is made from it. */
export const HaveForm = ({ test }: { test: CameraTest }) => {
  const { bench, state, asked } = test;
  const { have, length } = state;
  const set = (part: Partial<TestHave>) => {
    const next = { ...have, ...part };
    bench.prepare({ have: next });
    const list = shotList({ camera: asked.camera, have: next, length });
    void bench.again({ ...asked, have: next, list });
  };
  return (
    <div className="test-have">
      <Segmented
        label={words.howThorough}
        options={TEST_LENGTH_IDS.map((id) => ({
          id,
          name: words.lengthOf(
            TEST_LENGTHS[id].name,
            minutesOf(shotList({ camera: asked.camera, have, length: id })).toFixed(0),
          ),
        }))}
        value={length}
        onPick={(id) => {
          bench.prepare({ length: id });
          void bench.again({ ...asked, list: shotList({ camera: asked.camera, have, length: id }) });
        }}
      />
      <Segmented<CardKind>
        label={words.card}
        options={(Object.keys(CARDS) as CardKind[]).map((id) => ({ id, name: CARDS[id].name }))}
        value={have.card}
        onPick={(card) => set({ card })}
      />
      <Segmented<TestLight>
        label={words.light}
        options={(Object.keys(TEST_LIGHTS) as TestLight[]).map((id) => ({ id, name: TEST_LIGHTS[id].name }))}
        value={have.light}
        onPick={(light) => set({ light })}
      />
      <Form.Group controlId="test-exposure-by" className="test-field">
        <Form.Label>{words.lightToldBy}</Form.Label>
        <Form.Select
          size="sm"
          value={have.exposureBy}
          onChange={(event) => set({ exposureBy: event.target.value as ExposureBy })}
        >
          {(Object.keys(EXPOSURE_BY) as ExposureBy[]).map((id) => (
            <option key={id} value={id}>
              {EXPOSURE_BY[id].name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Check
        type="checkbox"
        id="test-kelvin-known"
        label={words.kelvinKnown}
        checked={have.kelvin !== undefined}
        onChange={(event) => set({ kelvin: event.target.checked ? DAYLIGHT : undefined })}
      />
      {have.kelvin !== undefined && (
        <NumberField
          size="sm"
          isInline
          className="test-kelvin"
          label={words.kelvinOfLight}
          rule={KELVIN}
          step={50}
          value={have.kelvin}
          onSet={(kelvin) => set({ kelvin })}
        />
      )}
      {CHECKS.map(([key, label]) => (
        <Form.Check
          key={key}
          type="checkbox"
          id={`test-${key}`}
          label={label}
          checked={have[key]}
          onChange={(event) => set({ [key]: event.target.checked })}
        />
      ))}
    </div>
  );
};
