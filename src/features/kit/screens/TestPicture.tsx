'use client';

import { Download } from 'lucide-react';
import { useRef } from 'react';
import Button from 'react-bootstrap/Button';
import { Panel } from '#ui/parts/Panel.tsx';
import { download } from '#ui/download.ts';
import { words } from '#ui/wording/kitScreens.ts';

/** Signals of the steps. */
const DARK_STEPS = [0.01, 0.02, 0.03, 0.04, 0.06, 0.08, 0.12, 0.16];
const BRIGHT_STEPS = [0.8, 0.84, 0.88, 0.91, 0.94, 0.96, 0.98, 0.99];

const grey = (signal: number) => {
  const level = Math.round(255 * signal);
  return `rgb(${level} ${level} ${level})`;
};
const percent = (signal: number) => (100 * signal).toFixed(0);

const [WIDTH, HEIGHT] = [1920, 1080];

/** The same picture for a screen that is not this one, as PNG. */
const picture = async (card: number): Promise<Uint8Array<ArrayBuffer> | undefined> => {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [WIDTH, HEIGHT];
  const context = canvas.getContext('2d');
  if (!context) return undefined;
  const fill = (signal: number, x: number, y: number, w: number, h: number) => {
    context.fillStyle = grey(signal);
    context.fillRect(x, y, w, h);
  };
  const row = (ground: number, steps: readonly number[], y: number) => {
    fill(ground, 0, y, WIDTH, 300);
    steps.forEach((signal, i) => fill(signal, 40 + i * 235, y + 60, 180, 180));
  };
  row(0, DARK_STEPS, 0);
  row(1, BRIGHT_STEPS, 300);
  for (let x = 0; x < WIDTH; x += 1) fill(x / (WIDTH - 1), x, 600, 1, 180);
  fill(card, 0, 780, WIDTH, 300);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
  return blob ? new Uint8Array(await blob.arrayBuffer()) : undefined;
};

const Steps = ({
  label,
  ground,
  steps,
  picked,
  onPick,
}: {
  label: string;
  ground: number;
  steps: readonly number[];
  picked: number | undefined;
  onPick: (signal: number) => void;
}) => (
  <div className="screen-steps" role="group" aria-label={label} style={{ background: grey(ground) }}>
    {steps.map((signal) => (
      <Button
        key={signal}
        variant="bare"
        className="screen-step"
        aria-pressed={picked === signal}
        aria-label={words.step(percent(signal))}
        style={{ background: grey(signal) }}
        onClick={() => onPick(signal)}
      />
    ))}
  </div>
);

/** Steps near black and near white, a ramp, and the card as it is planned. */
export const TestPicture = ({
  card,
  dark,
  bright,
  onDark,
  onBright,
}: {
  /** Signal of the card on the screen. */
  card: number;
  dark: number | undefined;
  bright: number | undefined;
  onDark: (signal: number) => void;
  onBright: (signal: number) => void;
}) => {
  const isSaving = useRef(false);
  const save = async () => {
    if (isSaving.current) return;
    isSaving.current = true;
    const bytes = await picture(card);
    isSaving.current = false;
    if (bytes) download('screen-test.png', bytes, 'image/png');
  };
  return (
    <Panel
      title={words.test}
      note={words.testNote}
      tools={
        <Button variant="outline-secondary" size="sm" title={words.saveSays} onClick={() => void save()}>
          <Download size={15} aria-hidden /> {words.save}
        </Button>
      }
    >
      <p className="mb-1">{words.onBlack}</p>
      <Steps label={words.onBlack} ground={0} steps={DARK_STEPS} picked={dark} onPick={onDark} />
      <p className="mt-2 mb-1">{words.onWhite}</p>
      <Steps label={words.onWhite} ground={1} steps={BRIGHT_STEPS} picked={bright} onPick={onBright} />
      <p className="mt-2 mb-1">{words.ramp}</p>
      <div className="screen-ramp" />
      <p className="mt-2 mb-1">{words.patch(percent(card))}</p>
      <div className="screen-patch" style={{ background: grey(card) }} />
    </Panel>
  );
};
