'use client';

import Form from 'react-bootstrap/Form';
import * as z from 'zod/mini';
import { CONFUSION_IDS, CONFUSIONS, isFocusable, type ConfusionId, type Imager } from '#core/lens/depth.ts';
import {
  DEPTH_WISH_IDS,
  DEPTH_WISHES,
  USUAL_SOFT,
  type DepthWishId,
  type LensUse,
} from '#core/lens/depthWishes.ts';
import { between, positive, positiveTo } from '#store/records/common.ts';
import { imagerSaid, imagerSchema, lensUseOf } from '#store/records/lens.ts';
import { useBench, useEditPlan, useSelection } from '#ui/bench/hooks.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import type { NumberRule } from '#ui/forms/numberText.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/planLens.ts';
import { USUAL_LENS } from '../lensModel.ts';

type Asked = {
  readonly key: 'focal' | 'distance' | 'behind' | 'near' | 'far';
  readonly label: string;
  /** What it may be beside the rest. */
  readonly rule: (use: LensUse) => NumberRule;
  readonly step?: number;
  /** Shown as an example while nothing was typed. */
  readonly example: (use: LensUse) => number;
};

const FOCUS: readonly Asked[] = [
  {
    key: 'focal',
    label: words.focal,
    rule: ({ distance }) => ({
      schema: between(1, 2000).check(z.refine((focal) => isFocusable({ focal, distance }))),
      says: words.typeFocal,
    }),
    example: () => USUAL_LENS.focal,
  },
  {
    key: 'distance',
    label: words.distance,
    rule: ({ focal }) => ({
      schema: between(0.05, 5000).check(z.refine((distance) => isFocusable({ focal, distance }))),
      says: words.typeDistance,
    }),
    step: 0.1,
    example: () => USUAL_LENS.distance,
  },
  {
    key: 'behind',
    label: words.behind,
    rule: () => ({ schema: positiveTo(100_000), says: words.typeBehind }),
    step: 0.5,
    example: ({ distance }) => 3 * distance,
  },
];
const ZONE: readonly Asked[] = [
  {
    key: 'near',
    label: words.near,
    rule: ({ distance }) => ({
      schema: positive.check(z.refine((near) => near < distance)),
      says: words.typeNear,
    }),
    step: 0.1,
    example: ({ distance }) => Number((0.8 * distance).toFixed(2)),
  },
  {
    key: 'far',
    label: words.far,
    rule: ({ distance }) => ({
      schema: positive.check(z.refine((far) => far > distance)),
      says: words.typeFar,
    }),
    step: 0.1,
    example: ({ distance }) => Number((1.3 * distance).toFixed(2)),
  },
];

/** What stands in the fields while nothing was typed. */
const EXAMPLE: Imager = { width: 24, photosites: 3840 };

/** The camera's sensor, as far as depth needs it. */
const SensorFields = () => {
  const { book } = useBench();
  const { camera } = useSelection();
  const imager = imagerSaid(camera);
  const keep = (part: Partial<Imager>) =>
    void book.edit({
      label: words.setSensor(camera.name),
      changes: [
        {
          table: 'cameras',
          id: camera.id,
          before: camera,
          after: { ...camera, imager: { ...imager, ...part } },
        },
      ],
    });
  return (
    <>
      <NumberField
        className="anchor-half"
        label={words.sensorWidth}
        rule={{ schema: imagerSchema.shape.width, says: words.typeWidth }}
        value={imager.width ?? EXAMPLE.width}
        isExample={imager.width === undefined}
        step={0.1}
        onSet={(width) => keep({ width })}
      />
      <NumberField
        className="anchor-half"
        label={words.photosites}
        rule={{ schema: imagerSchema.shape.photosites, says: words.typePhotosites }}
        value={imager.photosites ?? EXAMPLE.photosites}
        isExample={imager.photosites === undefined}
        onSet={(photosites) => keep({ photosites })}
      />
    </>
  );
};

/** Focal length, focus, background, and what is wanted of the depth. */
export const LensPanel = () => {
  const { plan } = useSelection();
  const editPlan = useEditPlan();
  const use = lensUseOf(plan) ?? USUAL_LENS;
  const set = (part: Partial<LensUse>) => editPlan(words.setLens, { lens: { ...use, ...part } });
  const fields = (list: readonly Asked[]) =>
    list.map(({ key, label, rule, step, example }) => (
      <NumberField
        key={key}
        className="anchor-half"
        label={label}
        rule={rule(use)}
        value={use[key] ?? example(use)}
        isExample={lensUseOf(plan)?.[key] === undefined}
        {...(step === undefined ? {} : { step })}
        onSet={(value) => set({ [key]: value })}
      />
    ));
  return (
    <Panel title={words.lens}>
      <div className="anchor-form">
        {fields(FOCUS)}
        <Form.Group className="anchor-half">
          <Form.Label htmlFor="lens-confusion">{words.confusion}</Form.Label>
          <Form.Select
            size="sm"
            id="lens-confusion"
            title={CONFUSIONS[use.confusion].says}
            value={use.confusion}
            onChange={(event) => set({ confusion: event.target.value as ConfusionId })}
          >
            {CONFUSION_IDS.map((id) => (
              <option key={id} value={id}>
                {CONFUSIONS[id].name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group className="anchor-wide">
          <Form.Label htmlFor="lens-wish">{words.wish}</Form.Label>
          <Form.Select
            size="sm"
            id="lens-wish"
            value={use.wish}
            onChange={(event) => set({ wish: event.target.value as DepthWishId })}
          >
            {DEPTH_WISH_IDS.map((id) => (
              <option key={id} value={id}>
                {DEPTH_WISHES[id].name}
              </option>
            ))}
          </Form.Select>
          <Form.Text>{DEPTH_WISHES[use.wish].says}</Form.Text>
        </Form.Group>
        {use.wish === 'zone' && fields(ZONE)}
        {use.wish === 'soft' && (
          <NumberField
            className="anchor-half"
            label={words.soft}
            rule={{ schema: between(0.1, 100), says: words.typeSoft }}
            value={100 * (use.soft ?? USUAL_SOFT)}
            step={0.1}
            onSet={(percent) => set({ soft: percent / 100 })}
          />
        )}
        <SensorFields />
      </div>
    </Panel>
  );
};
