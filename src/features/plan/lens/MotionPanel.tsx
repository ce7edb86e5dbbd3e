'use client';

import Form from 'react-bootstrap/Form';
import { printShutter } from '#core/exposure/shutter.ts';
import {
  blurToAdd,
  motionBlur,
  SHUTTER_RULE_IDS,
  SHUTTER_RULES,
  shuttersBy,
  type ShutterRuleId,
} from '#core/lens/motion.ts';
import { shuttersOf } from '#store/records/camera.ts';
import { between } from '#store/records/common.ts';
import { imagerOf, lensUseOf } from '#store/records/lens.ts';
import { useCard, useEditPlan, useSelection } from '#ui/bench/hooks.ts';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/planLens.ts';
import { USUAL_LENS } from '../lensModel.ts';
import { shutterRuleOf } from '../planModel.ts';
import { printShare } from './printLens.ts';

/** A walk across the picture. */
const WALK = 1.4;

/** How long a streak motion leaves, and which shutters may be used where the iris is fixed. */
export const MotionPanel = () => {
  const { camera, plan, setup } = useSelection();
  const { numbers } = useCard();
  const editPlan = useEditPlan();
  const editSetup = useEditSetup();
  const imager = imagerOf(camera);
  const use = lensUseOf(plan) ?? USUAL_LENS;
  const streak = imager && motionBlur(use, use.speed ?? WALK, numbers.seconds, imager);
  const toAdd = streak === undefined ? 0 : blurToAdd(streak, numbers.seconds, setup.fps);
  const rule = shutterRuleOf(setup);
  const isKept = shuttersBy(rule, shuttersOf(camera), setup.fps) !== undefined;
  return (
    <Panel title={words.motion} note={words.motionNote}>
      <div className="anchor-form">
        <NumberField
          className="anchor-half"
          label={words.speed}
          rule={{ schema: between(0, 400), says: words.typeSpeed }}
          value={use.speed ?? WALK}
          isExample={use.speed === undefined}
          step={0.1}
          onSet={(speed) => editPlan(words.setLens, { lens: { ...use, speed } })}
        />
        <Form.Group className="anchor-wide">
          <Form.Label htmlFor="shutter-rule">{words.shutterRule}</Form.Label>
          <Form.Select
            size="sm"
            id="shutter-rule"
            value={rule}
            onChange={(event) =>
              editSetup(words.ruleSet, {
                locks: { ...setup.locks, rule: event.target.value as ShutterRuleId },
              })
            }
          >
            {SHUTTER_RULE_IDS.map((id) => (
              <option key={id} value={id}>
                {SHUTTER_RULES[id].name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      {streak !== undefined && imager && (
        <p className="mt-2">
          {use.speed === undefined && words.walk}{' '}
          {words.streak(
            Math.round(streak),
            printShare(streak / imager.photosites),
            printShutter(plan.shutter),
          )}{' '}
          {toAdd > 0.5 ? words.addInPost(Math.round(toAdd)) : words.usual}
        </p>
      )}
      {rule !== 'any' && setup.locks.shutter && <p className="text-warn">{words.shutterIsLocked}</p>}
      {!isKept && <p className="text-warn">{words.noneByRule}</p>}
      {camera.fixedIris !== undefined && <p className="quiet">{words.fixedIris}</p>}
      {setup.cautions.includes('air') && <p className="quiet mb-0">{words.flying}</p>}
    </Panel>
  );
};
