'use client';

import { useRef } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { CUBE_SCALES } from '#core/lut/cubeScale.ts';
import { compileGreyAxis } from '#core/lut/greyAxis.ts';
import { compileProfile } from '#core/profile/index.ts';
import { useBench, useRecords, useSelection, useSession } from '#ui/bench/hooks.ts';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { NO_CHOICE, openedSpec } from '#ui/bench/useThrough.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { Popup } from '#ui/parts/Popup.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { between } from '#store/records/common.ts';
import { Toggle } from '#ui/parts/Toggle.tsx';
import type { JudgeLook, SetJudgeLook } from '../useJudgeView.ts';
import { GUIDE_IDS, GUIDES, type GuideId } from './guideList.ts';

const AGAINST = [
  { id: 'none', name: 'nothing' },
  { id: 'recorded', name: 'as recorded' },
  { id: 'stops', name: 'stops' },
  { id: 'hero', name: 'hero' },
] as const;

const RATIO = { schema: between(0.2, 5), says: 'Type width over height, 0.2 to 5' };

/** Where grey of the profile lands through the file that was opened, signal 0..1. */
const useOpenedGrey = (): number | undefined => {
  const { luts } = useBench();
  const { camera, profile } = useSelection();
  const opened = useSession((state) => state.openedLut);
  const spec = opened && openedSpec(opened, camera.coding);
  const { answer, old } = useAnswer({
    key: spec,
    ask: async (signal) => (spec ? luts.axis({ spec }, { signal }) : { state: 'cancelled' }),
  });
  return answer && !old ? compileGreyAxis(answer)(compileProfile(profile.data).signalAt(0)) : undefined;
};

/** What the monitor view goes through: as planned, computed from the profile, a LUT of the kit, or a file. */
const LutPick = ({ look, setLook }: { look: JudgeLook; setLook: SetJudgeLook }) => {
  const { session } = useBench();
  const { monitors } = useSelection();
  const kit = useRecords(({ luts }) => luts);
  const opened = useSession((state) => state.openedLut);
  const input = useRef<HTMLInputElement>(null);
  const open = async (file: File | undefined) => {
    if (file && (await session.luts.openFile(file))) void setLook({ lut: 'opened', view: 'monitor' });
  };
  const grey = useOpenedGrey();
  const [first] = monitors;
  return (
    <>
      <Form.Label htmlFor="monitor-lut">Monitor LUT</Form.Label>
      <div className="guide-row">
        <Form.Select
          id="monitor-lut"
          size="sm"
          value={look.lut}
          onChange={(event) => void setLook({ lut: event.target.value, view: 'monitor' })}
        >
          <option value={NO_CHOICE}>
            as planned: {first ? `${first.lut.name} on ${first.monitor.name}` : 'computed'}
          </option>
          <option value="computed">computed, pull of the card</option>
          {[...kit.values()].map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
          {opened && <option value="opened">{opened.name}</option>}
        </Form.Select>
        <Button
          variant="outline-secondary"
          size="sm"
          title=".cube, CLF or CDL"
          onClick={() => input.current?.click()}
        >
          Open
        </Button>
        <input
          ref={input}
          type="file"
          hidden
          accept=".cube,.clf,.cc,.ccc,.cdl"
          aria-label="LUT file"
          onChange={(event) => void open(event.target.files?.[0])}
        />
      </div>
      {opened && look.lut === 'opened' && (
        <>
          <Segmented
            label="0 to 1 in the file"
            options={(['signal', 'code'] as const).map((id) => ({
              id,
              name: `0..1 by ${CUBE_SCALES[id].name}`,
              says: CUBE_SCALES[id].says,
            }))}
            value={opened.scale}
            onPick={(scale) => session.luts.readOpened({ scale })}
          />
          {grey !== undefined && (
            <p className={`small mb-0 ${grey > 0.3 && grey < 0.6 ? 'quiet' : 'field-error'}`}>
              {opened.name}, {opened.says}. Grey of this profile lands at {(100 * grey).toFixed(0)} %
              {grey > 0.3 && grey < 0.6 ? '.' : ': a LUT for another curve, or on the other scale.'} Clip is
              marked on the codes, whatever the LUT shows.
            </p>
          )}
        </>
      )}
    </>
  );
};

/** What else may lie on the picture: whose zebra, a second picture to hold it against, guides. */
export const LookMenu = ({
  look,
  setLook,
  onHero,
}: {
  look: JudgeLook;
  setLook: SetJudgeLook;
  onHero: () => void;
}) => {
  const hasHero = useSession(({ hero }) => hero !== undefined);
  return (
    <Popup name="More" label="On the picture" says="Zebra, split, hero, guides, magnifier">
      <LutPick look={look} setLook={setLook} />
      <span className="form-label mt-2 d-block">Zebras</span>
      <Segmented
        label="Zebras"
        options={[
          { id: 'camera', name: 'as the camera', says: 'After its rounding, on the signal its zebra reads' },
          {
            id: 'exact',
            name: 'exact',
            says: 'The card within 1/6 stop, and everything from the warning up',
          },
        ]}
        value={look.zebra}
        onPick={(zebra) => void setLook({ zebra })}
      />
      <span className="form-label mt-2 d-block">Held against</span>
      <Segmented
        label="Held against"
        options={AGAINST.filter(({ id }) => id !== 'hero' || hasHero)}
        value={look.against}
        onPick={(against) => void setLook({ against })}
      />
      <div className="toggles mt-2">
        <Toggle
          on={look.beside}
          name="Side by side"
          says="Two pictures instead of a wipe"
          onFlip={() => void setLook({ beside: !look.beside })}
        />
        <Button
          variant="outline-secondary"
          size="sm"
          title="Keep this frame as the reference (H)"
          onClick={onHero}
        >
          {hasHero ? 'Hold this as hero' : 'Hold as hero'}
        </Button>
      </div>
      <Form.Label className="mt-2 d-block" htmlFor="guide">
        Frame guide
      </Form.Label>
      <div className="guide-row">
        <Form.Select
          id="guide"
          size="sm"
          value={look.guide}
          onChange={(event) => void setLook({ guide: event.target.value as GuideId })}
        >
          {GUIDE_IDS.map((id) => (
            <option key={id} value={id}>
              {GUIDES[id].name}
            </option>
          ))}
        </Form.Select>
        {look.guide === 'own' && (
          <NumberField
            isInline
            size="sm"
            label="Ratio, width over height"
            rule={RATIO}
            step={0.01}
            value={look.ratio}
            onSet={(ratio) => void setLook({ ratio })}
          />
        )}
      </div>
      <div className="toggles mt-2">
        <Toggle
          on={look.safe}
          name="Safe areas"
          says="Action 93 %, graphics 90 % (EBU R 95)"
          onFlip={() => void setLook({ safe: !look.safe })}
        />
        <Toggle
          on={look.glass}
          name="Magnifier"
          says="Pixels and their codes under the pointer (M)"
          onFlip={() => void setLook({ glass: !look.glass })}
        />
      </div>
    </Popup>
  );
};
