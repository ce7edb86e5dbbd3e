'use client';

import { useEffect, useRef, type RefObject } from 'react';
import { words } from '#ui/wording/match.ts';
import { vectorTrace, waveformTrace, type Trace } from './traces.ts';

const VECTOR_PX = 220;
const WAVE_PX = [360, 160] as const;

type Painted = RefObject<HTMLCanvasElement | null>;

const pixelsOf = (canvas: Painted): ImageData | undefined => {
  const from = canvas.current;
  if (!from || from.width === 0) return undefined;
  return from.getContext('2d', { willReadFrequently: true })?.getImageData(0, 0, from.width, from.height);
};

const rgbOf = (name: string): readonly number[] => {
  const text = getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  const hex = /^#([0-9a-f]{6})$/i.exec(text)?.[1];
  return hex ? [0, 2, 4].map((i) => Number.parseInt(hex.slice(i, i + 2), 16)) : [160, 160, 160];
};

/** Traces over each other, each in its own colour; where one lies over another both are seen. */
const draw = (target: HTMLCanvasElement | null, traces: readonly (readonly [Trace, readonly number[]])[]) => {
  const context = target?.getContext('2d');
  if (!target || !context || traces.length === 0) return;
  const { width, height } = traces[0][0];
  target.width = width;
  target.height = height;
  const image = context.createImageData(width, height);
  for (const [{ counts }, rgb] of traces)
    counts.forEach((count, i) => {
      if (count === 0) return;
      const share = Math.min(1, 0.35 + 0.2 * Math.log2(1 + count));
      for (let c = 0; c < 3; c += 1) image.data[4 * i + c] = Math.max(image.data[4 * i + c], share * rgb[c]);
      image.data[4 * i + 3] = 255;
    });
  context.putImageData(image, 0, 0);
};

/** Both pictures on one vectorscope, and their waveforms side by side on one scale. */
export const MatchScopes = ({
  hero,
  camera,
  painted,
  names,
}: {
  hero: Painted;
  camera: Painted;
  /** Changes with every picture that was painted on them. */
  painted: string;
  names: { readonly hero: string; readonly camera: string };
}) => {
  const vector = useRef<HTMLCanvasElement>(null);
  const waves = { hero: useRef<HTMLCanvasElement>(null), camera: useRef<HTMLCanvasElement>(null) };
  const { hero: heroWave, camera: cameraWave } = waves;
  useEffect(() => {
    const [a, b] = [pixelsOf(hero), pixelsOf(camera)];
    const colours = [rgbOf('--bs-body-color'), rgbOf('--c-accent')] as const;
    draw(vector.current, [
      ...(a ? [[vectorTrace(a, VECTOR_PX), colours[0]] as const] : []),
      ...(b ? [[vectorTrace(b, VECTOR_PX), colours[1]] as const] : []),
    ]);
    if (a) draw(heroWave.current, [[waveformTrace(a, ...WAVE_PX), colours[0]]]);
    if (b) draw(cameraWave.current, [[waveformTrace(b, ...WAVE_PX), colours[1]]]);
  }, [hero, camera, painted, heroWave, cameraWave]);
  return (
    <div className="match-scopes">
      {(['hero', 'camera'] as const).map((side) => (
        <figure key={side}>
          <canvas ref={waves[side]} role="img" aria-label={`${words.waveforms}: ${names[side]}`} />
          <figcaption className={`match-key-${side}`}>{names[side]}</figcaption>
        </figure>
      ))}
      <figure>
        <canvas ref={vector} className="match-vector" role="img" aria-label={words.vectorscope} />
        <figcaption>
          <span className="match-key-hero">{names.hero}</span>{' '}
          <span className="match-key-camera">{names.camera}</span>
        </figcaption>
      </figure>
    </div>
  );
};
