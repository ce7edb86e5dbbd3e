'use client';

import { useRef } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { CUBE_SCALES } from '#core/lut/cubeScale.ts';
import { compileGreyAxis } from '#core/lut/greyAxis.ts';
import { compileProfile } from '#core/profile/index.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import { useBench, useCard, useRecords, useSelection, useSession } from '#ui/bench/hooks.ts';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { MATCHED_CHOICE, NO_CHOICE, openedSpec } from '#ui/bench/useThrough.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { Popup } from '#ui/parts/Popup.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { between } from '#store/records/common.ts';
import { Toggle } from '#ui/parts/Toggle.tsx';
import type { JudgeLook, SetJudgeLook } from '../useJudgeView.ts';
import { GUIDE_IDS, GUIDES, type GuideId } from './guideList.ts';
import { words } from '#ui/wording/judgePicture.ts';

const AGAINST = [
  { id: 'none', name: 'nothing' },
  { id: 'recorded', name: words.asRecorded },
  { id: 'stops', name: 'stops' },
  { id: 'hero', name: 'hero' },
] as const;

const RATIO = { schema: between(0.2, 5), says: words.typeWidthOverHeight };

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
  const selection = useSelection();
  const { monitors } = selection;
  const match = matchInLight(selection, useCard().light.kelvin);
  const heroName = useRecords(({ cameras }) => cameras.get(match?.heroCameraId ?? '')?.name);
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
      <Form.Label htmlFor="monitor-lut">{words.monitorLut}</Form.Label>
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
          <option value="computed">{words.computedPullOfThe}</option>
          {heroName !== undefined && <option value={MATCHED_CHOICE}>{words.matchedTo(heroName)}</option>}
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
          title={words.cubeClfOrCdl}
          onClick={() => input.current?.click()}
        >
          {words.open}
        </Button>
        <input
          ref={input}
          type="file"
          hidden
          accept=".cube,.clf,.cc,.ccc,.cdl"
          aria-label={words.lutFile}
          onChange={(event) => void open(event.target.files?.[0])}
        />
      </div>
      {opened && look.lut === 'opened' && (
        <>
          <Segmented
            label={words.at0To1In}
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
    <Popup name={words.more} label={words.onThePicture} says={words.zebraSplitHeroGuides}>
      <LutPick look={look} setLook={setLook} />
      <span className="form-label mt-2 d-block">{words.zebras}</span>
      <Segmented
        label={words.zebras}
        options={[
          { id: 'camera', name: words.asTheCamera, says: words.afterItsRoundingOn },
          {
            id: 'exact',
            name: 'exact',
            says: words.theCardWithin1,
          },
        ]}
        value={look.zebra}
        onPick={(zebra) => void setLook({ zebra })}
      />
      <span className="form-label mt-2 d-block">{words.heldAgainst}</span>
      <Segmented
        label={words.heldAgainst}
        options={AGAINST.filter(({ id }) => id !== 'hero' || hasHero)}
        value={look.against}
        onPick={(against) => void setLook({ against })}
      />
      <div className="toggles mt-2">
        <Toggle
          on={look.beside}
          name={words.sideBySide}
          says={words.twoPicturesInsteadOf}
          onFlip={() => void setLook({ beside: !look.beside })}
        />
        <Button variant="outline-secondary" size="sm" title={words.keepThisFrameAsKey} onClick={onHero}>
          {hasHero ? words.holdThisAsHero : words.holdAsHero}
        </Button>
      </div>
      <Form.Label className="mt-2 d-block" htmlFor="guide">
        {words.frameGuide}
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
            label={words.ratioWidthOverHeight}
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
          name={words.safeAreas}
          says={words.action93Graphics90}
          onFlip={() => void setLook({ safe: !look.safe })}
        />
        <Toggle
          on={look.glass}
          name={words.magnifier}
          says={words.pixelsAndTheirCodesKey}
          onFlip={() => void setLook({ glass: !look.glass })}
        />
      </div>
    </Popup>
  );
};
