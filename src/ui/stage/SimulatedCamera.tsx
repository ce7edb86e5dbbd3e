'use client';

import { dequal } from 'dequal';
import { Play, Square } from 'lucide-react';
import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { exactFNumber } from '#core/exposure/aperture.ts';
import { METER_MODE_IDS, METER_MODES, type MeterMode } from '#core/exposure/meterModes.ts';
import { useBench, useRecords, useSelection } from '../bench/hooks.ts';
import type { StageState } from '../bench/session/state.ts';
import { Toggle } from '../parts/Toggle.tsx';
import { KnobPanel } from './KnobPanel.tsx';
import { MeterScale } from './MeterScale.tsx';
import { Recorder } from './Recorder.tsx';
import { knobsOfCard, type Knobs } from './stageModel.ts';
import type { useStage } from './useStage.ts';
import { words } from '#ui/wording/stage.ts';

/** Knobs that do not stand as the card says. */
const useOffCard = (stage: StageState | undefined): readonly (keyof Knobs)[] => {
  const selection = useSelection();
  if (!stage) return [];
  const card = knobsOfCard(selection);
  const touched = Object.keys(stage.turned) as (keyof Knobs)[];
  return touched.filter((key) => !dequal(stage.turned[key], card[key]));
};

const Head = ({ stage, offCard, swap }: { stage: StageState; offCard: number; swap?: ReactNode }) => {
  const { asCard, run } = useBench().session.stage;
  const { running, dropped, shown } = stage;
  const still = offCard > 0 ? `${offCard} off the card` : 'simulated, as the card';
  return (
    <header className="panel-head">
      {swap || <h2>{words.camera}</h2>}
      <span className="quiet">{running ? `${dropped} of ${shown + dropped} left out` : still}</span>
      <div className="panel-tools">
        {offCard > 0 && (
          <Button variant="outline-secondary" size="sm" title={words.everyKnobAsThe} onClick={() => asCard()}>
            {words.asTheCard}
          </Button>
        )}
        <Button
          size="sm"
          variant={running ? 'primary' : 'outline-secondary'}
          aria-pressed={running}
          onClick={() => run(!running)}
        >
          {running ? <Square size={14} aria-hidden /> : <Play size={14} aria-hidden />}{' '}
          {running ? 'Stop' : 'Live'}
        </Button>
      </div>
    </header>
  );
};

const Meter = ({ stage }: { stage: StageState }) => {
  const { camera } = useSelection();
  const { meter } = useBench().session.stage;
  return (
    <div className="camera-meter">
      <MeterScale shows={stage.shows} scale={camera.meter.scale} />
      <Form.Select
        size="sm"
        aria-label={words.whatTheMeterLooks}
        value={stage.auto.mode}
        onChange={(event) => meter({ mode: event.target.value as MeterMode })}
      >
        {METER_MODE_IDS.map((id) => (
          <option key={id} value={id}>
            {METER_MODES[id].name}
          </option>
        ))}
      </Form.Select>
    </div>
  );
};

/** What the camera does by itself, as far as it can. */
const AutomaticSwitches = ({ stage: { auto }, knobs }: { stage: StageState; knobs: Knobs }) => {
  const { camera } = useSelection();
  const { automate } = useBench().session.stage;
  return (
    <>
      {camera.fixedIris === undefined && (
        <Toggle
          on={auto.iris}
          name={words.autoIris}
          says={words.liveTheFrameTo}
          onFlip={() => automate('iris', { autoIris: exactFNumber(knobs.iris) })}
        />
      )}
      {camera.sensitivity === 'gain' && (
        <Toggle
          on={auto.iso}
          name={words.autoIso}
          says={words.liveTheFrameToGrey}
          onFlip={() => automate('iso', { autoIso: knobs.iso })}
        />
      )}
      <Toggle
        on={auto.balance}
        name={words.autoWb}
        says={words.liveTowardsTheColour}
        onFlip={() => automate('balance', { autoKelvin: knobs.kelvin })}
      />
    </>
  );
};

/** The simulated camera: its knobs, its meter, what it does by itself, and what it records. */
export const SimulatedCamera = ({
  stage,
  knobs,
  shot,
  swap,
}: ReturnType<typeof useStage> & {
  /** The way to what else may stand in this place; it takes the title’s. */
  swap?: ReactNode;
}) => {
  const { camera, setup } = useSelection();
  const kit = useRecords(({ profiles }) => profiles);
  const offCard = useOffCard(stage);
  if (!stage || !knobs) return null;
  return (
    <section className="panel camera-panel" aria-label={words.simulatedCamera}>
      <Head stage={stage} offCard={offCard.length} swap={swap} />
      <KnobPanel
        knobs={knobs}
        context={{ camera, fps: setup.fps, kit, auto: stage.auto }}
        offCard={offCard}
      />
      <Meter stage={stage} />
      <div className="camera-foot">
        <AutomaticSwitches stage={stage} knobs={knobs} />
        <Recorder stage={stage} shot={shot} />
      </div>
    </section>
  );
};
