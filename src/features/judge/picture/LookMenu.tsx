'use client';

import { useRef } from 'react';
import { CUBE_SCALES } from '#core/lut/cubeScale.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { Popup } from '#ui/parts/Popup.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import type { JudgeLook, SetJudgeLook } from '../useJudgeView.ts';
import { GUIDE_IDS, GUIDES, type GuideId } from './guideList.ts';

const AGAINST = [
  { id: 'none', name: 'nothing' },
  { id: 'recorded', name: 'as recorded' },
  { id: 'stops', name: 'stops' },
  { id: 'hero', name: 'hero' },
] as const;

/** What the monitor view goes through: computed from the profile, or a cube of one's own. */
const LutPick = ({ look, setLook }: { look: JudgeLook; setLook: SetJudgeLook }) => {
  const { bench, session, selection } = useBench();
  const input = useRef<HTMLInputElement>(null);
  const { cube } = bench;
  const profile = selection.profile.data;
  const open = async (file: File | undefined) => {
    if (file && (await session.openCube(file, profile))) void setLook({ lut: 'signal', view: 'monitor' });
  };
  const grey = cube && look.lut !== 'computed' ? cube.grey[look.lut] : undefined;
  return (
    <>
      <span className="form-label">Monitor LUT</span>
      <div className="guide-row">
        <Segmented
          label="Monitor LUT"
          options={[
            { id: 'computed', name: 'computed', says: 'From the profile of the card, with its pull' },
            ...(cube
              ? ([
                  { id: 'signal', name: 'file', says: CUBE_SCALES.signal.says },
                  { id: 'code', name: 'file, by code', says: CUBE_SCALES.code.says },
                ] as const)
              : []),
          ]}
          value={cube ? look.lut : 'computed'}
          onPick={(lut) => void setLook({ lut })}
        />
        <button
          type="button"
          className="btn btn-sm btn-outline-secondary"
          onClick={() => input.current?.click()}
        >
          Open .cube
        </button>
        <input
          ref={input}
          type="file"
          hidden
          accept=".cube"
          aria-label="LUT file"
          onChange={(event) => void open(event.target.files?.[0])}
        />
      </div>
      {cube && grey !== undefined && (
        <p className={`small mb-0 ${grey > 0.3 && grey < 0.6 ? 'quiet' : 'field-error'}`}>
          {cube.name}: {cube.size} points. Grey of this profile lands at {(100 * grey).toFixed(0)} %
          {grey > 0.3 && grey < 0.6 ? '.' : ': a LUT for another curve, or on the other scale.'} Clip is
          marked on the codes, whatever the LUT shows.
        </p>
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
  const { bench } = useBench();
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
        options={AGAINST.filter(({ id }) => id !== 'hero' || bench.hero)}
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
        <button
          type="button"
          className="btn btn-sm btn-outline-secondary"
          title="Keep this frame as the reference (H)"
          onClick={onHero}
        >
          {bench.hero ? 'Hold this as hero' : 'Hold as hero'}
        </button>
      </div>
      <label className="form-label mt-2 d-block" htmlFor="guide">
        Frame guide
      </label>
      <div className="guide-row">
        <select
          id="guide"
          className="form-select form-select-sm"
          value={look.guide}
          onChange={(event) => void setLook({ guide: event.target.value as GuideId })}
        >
          {GUIDE_IDS.map((id) => (
            <option key={id} value={id}>
              {GUIDES[id].name}
            </option>
          ))}
        </select>
        {look.guide === 'own' && (
          <input
            className="form-control form-control-sm num"
            aria-label="Ratio, width over height"
            inputMode="decimal"
            defaultValue={look.ratio}
            onChange={(event) => {
              const ratio = Number(event.target.value.replace(',', '.'));
              if (ratio > 0.2 && ratio < 5) void setLook({ ratio });
            }}
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
