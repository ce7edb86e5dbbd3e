'use client';

import { Circle, Film, Play, Square } from 'lucide-react';
import { dequal } from 'dequal';
import { useState, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { exactFNumber, printFNumber } from '#core/exposure/aperture.ts';
import { printShutter, shutterSeconds } from '#core/exposure/shutter.ts';
import { METER_MODE_IDS, METER_MODES, type MeterMode } from '#core/sensor/meter.ts';
import { shuttersOf } from '#store/records/camera.ts';
import { useBench, useRecords, useSelection } from '../bench/hooks.ts';
import { download, slug } from '../download.ts';
import { printKelvin, printTint } from '../format.ts';
import { Toggle } from '../parts/Toggle.tsx';
import { Knob } from './Knob.tsx';
import { MeterScale } from './MeterScale.tsx';
import { DIFFUSIONS, irisesOf, knobsOfCard, turned, turnedKelvin, type Knobs } from './stageModel.ts';
import type { useStage } from './useStage.ts';

/** ND turns by thirds on the simulated camera: whatever glass is there. */
const ND_STEP = 1 / 3;
const CLIP_SECONDS = 2;

const apart = (a: number, b: number) => Math.abs(Math.log2(a / b));

/** The simulated camera: its knobs, its meter, what it does by itself, and what it records. */
export const CameraPanel = ({
  stage,
  knobs,
  shot,
  swap,
}: ReturnType<typeof useStage> & {
  /** The way to what else may stand in this place; it takes the title’s. */
  swap?: ReactNode;
}) => {
  const { session } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const [recording, setRecording] = useState<AbortController>();
  const [said, setSaid] = useState<string>();
  if (!stage || !knobs) return null;
  const { camera, setup } = selection;
  const card = knobsOfCard(selection);
  const { auto, running } = stage;
  const { turn, asCard, automate, meter, run } = session.stage;
  const back = (...keys: (keyof Knobs)[]) => asCard(keys);
  const isOff = (key: keyof Knobs) => key in stage.turned && !dequal(stage.turned[key], card[key]);
  const offCard = (Object.keys(stage.turned) as (keyof Knobs)[]).filter(isOff).length;
  const profiles = camera.profileIds.flatMap((id) => records.profiles.get(id) ?? []);
  const seconds = (shutter: Knobs['shutter']) => shutterSeconds(shutter, setup.fps);

  const saveStill = async () => {
    const codes = await session.frame.codesAsPng();
    if (!codes.ok) {
      setSaid(codes.reason);
      return;
    }
    const name = `${slug(`${setup.name} ${camera.name}`)}.png`;
    download(name, codes.value, 'image/png');
    setSaid(`${name} saved`);
  };
  const saveClip = async () => {
    if (!shot) return;
    const mine = new AbortController();
    setRecording(mine);
    const fps = Math.round(setup.fps);
    try {
      const clip = await session.stage.record(
        {
          ...shot,
          seed: 1,
          seconds: 0,
          width: stage.truth.width,
          frames: CLIP_SECONDS * fps,
          rate: [fps, 1],
        },
        { signal: mine.signal, onProgress: ({ phase }) => setSaid(phase) },
      );
      if (mine.signal.aborted) setSaid('Clip stopped');
      else if (!clip.ok) setSaid(clip.reason);
      else {
        const name = `${slug(`${setup.name} ${camera.name}`)}.y4m`;
        download(name, clip.value, 'video/x-yuv4mpeg');
        setSaid(`${name} saved`);
      }
    } finally {
      setRecording(undefined);
    }
  };

  return (
    <section className="panel camera-panel" aria-label="Simulated camera">
      <header className="panel-head">
        {swap || <h2>Camera</h2>}
        <span className="quiet">
          {running
            ? `${stage.dropped} of ${stage.shown + stage.dropped} left out`
            : offCard > 0
              ? `${offCard} off the card`
              : 'simulated, as the card'}
        </span>
        <div className="panel-tools">
          {offCard > 0 && (
            <Button
              variant="outline-secondary"
              size="sm"
              title="Every knob as the card says"
              onClick={() => asCard()}
            >
              As the card
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
      <div className="knobs">
        <Knob
          label="Iris"
          value={printFNumber(knobs.iris)}
          off={isOff('iris')}
          disabled={camera.fixedIris !== undefined || auto.iris}
          onTurn={(clicks) =>
            turn({
              iris: turned(
                irisesOf(camera),
                (f) => apart(exactFNumber(f), exactFNumber(knobs.iris)),
                -clicks,
              ),
            })
          }
          onReset={() => back('iris')}
        />
        <Knob
          label="Shutter"
          value={printShutter(knobs.shutter)}
          off={isOff('shutter')}
          onTurn={(clicks) =>
            turn({
              shutter: turned(
                shuttersOf(camera).toSorted((a, b) => seconds(a) - seconds(b)),
                (one) => apart(seconds(one), seconds(knobs.shutter)),
                clicks,
              ),
            })
          }
          onReset={() => back('shutter')}
        />
        <Knob
          label={camera.sensitivity === 'ei' ? 'EI' : 'ISO'}
          value={String(knobs.iso)}
          off={isOff('iso')}
          disabled={auto.iso}
          onTurn={(clicks) => turn({ iso: turned(camera.isos, (iso) => apart(iso, knobs.iso), clicks) })}
          onReset={() => back('iso')}
        />
        <Knob
          label="ND stops"
          value={knobs.ndStops === 0 ? 'none' : knobs.ndStops.toFixed(knobs.ndStops % 1 === 0 ? 0 : 1)}
          off={isOff('ndStops')}
          onTurn={(clicks) => turn({ ndStops: Math.max(0, Math.min(12, knobs.ndStops + clicks * ND_STEP)) })}
          onReset={() => back('ndStops')}
        />
        <Knob
          label="White bal."
          value={printKelvin(knobs.kelvin)}
          off={isOff('kelvin')}
          disabled={auto.balance}
          onTurn={(clicks) => turn({ kelvin: turnedKelvin(knobs.kelvin, clicks, camera) })}
          onReset={() => back('kelvin')}
        />
        <Knob
          label="Tint"
          says="thousandths of Duv; + turns the picture green"
          value={knobs.tint === 0 ? '0' : printTint(knobs.tint).trim()}
          off={isOff('tint')}
          disabled={auto.balance || camera.tintRange[0] === camera.tintRange[1]}
          onTurn={(clicks) => {
            const [low, high] = camera.tintRange;
            turn({ tint: Math.min(high, Math.max(low, knobs.tint + clicks * camera.tintStep)) });
          }}
          onReset={() => back('tint')}
        />
        <Knob
          label="Profile"
          value={records.profiles.get(knobs.profileId)?.name ?? '–'}
          off={isOff('profileId')}
          onTurn={(clicks) =>
            turn({ profileId: turned(profiles, ({ id }) => (id === knobs.profileId ? 0 : 1), clicks).id })
          }
          onReset={() => back('profileId')}
        />
        <Knob
          label="Diffusion"
          value={DIFFUSIONS.find(({ share }) => share === knobs.diffusion)?.name ?? 'none'}
          off={isOff('diffusion')}
          onTurn={(clicks) =>
            turn({
              diffusion: turned(DIFFUSIONS, ({ share }) => Math.abs(share - knobs.diffusion), clicks).share,
            })
          }
          onReset={() => back('diffusion')}
        />
      </div>
      <div className="camera-meter">
        <MeterScale shows={stage.shows} scale={camera.meter.scale} />
        <Form.Select
          size="sm"
          aria-label="What the meter looks at"
          value={auto.mode}
          onChange={(event) => meter({ mode: event.target.value as MeterMode })}
        >
          {METER_MODE_IDS.map((id) => (
            <option key={id} value={id}>
              {METER_MODES[id].name}
            </option>
          ))}
        </Form.Select>
      </div>
      <div className="camera-foot">
        {camera.fixedIris === undefined && (
          <Toggle
            on={auto.iris}
            name="Auto iris"
            says="Live: the frame to grey by the lens, before gain"
            onFlip={() => automate('iris', { autoIris: exactFNumber(knobs.iris) })}
          />
        )}
        {camera.sensitivity === 'gain' && (
          <Toggle
            on={auto.iso}
            name="Auto ISO"
            says="Live: the frame to grey, up to two stops over base"
            onFlip={() => automate('iso', { autoIso: knobs.iso })}
          />
        )}
        <Toggle
          on={auto.balance}
          name="Auto WB"
          says="Live: towards the colour of the picture, slowly"
          onFlip={() => automate('balance', { autoKelvin: knobs.kelvin })}
        />
        <Button
          variant="outline-secondary"
          size="sm"
          aria-label="Still"
          title="Still: the picture as a PNG of its codes"
          onClick={() => void saveStill()}
        >
          <Circle size={14} aria-hidden />
        </Button>
        <Button
          variant="outline-secondary"
          size="sm"
          aria-label={recording ? 'Stop the clip' : 'Clip'}
          title={`Clip: ${CLIP_SECONDS} seconds as Y4M`}
          onClick={() => (recording ? recording.abort() : void saveClip())}
        >
          {recording ? <Square size={14} aria-hidden /> : <Film size={14} aria-hidden />}
        </Button>
        {said && (
          <span className="quiet camera-said" role="status">
            {said}
          </span>
        )}
      </div>
    </section>
  );
};
