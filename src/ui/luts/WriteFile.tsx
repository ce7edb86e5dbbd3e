'use client';

import { Download } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { LUT_FORMAT_IDS, LUT_WRITERS, type LutFormatId } from '#core/formats/writeLut.ts';
import { CUBE_SCALES, type CubeScale } from '#core/lut/cubeScale.ts';
import { INTERPOLATIONS, type InterpolationId } from '#core/lut/lut.ts';
import { outputOf } from '#core/lut/outputs.ts';
import { useBench, useSelection } from '../bench/hooks.ts';
import { download, slug } from '../download.ts';
import { Segmented } from '../parts/Segmented.tsx';
import { type LutSource } from './lutSource.ts';
import { wordsFor } from './lutWords.ts';
import { LossTable } from './LossTable.tsx';
import { useLosses } from './useLosses.ts';

const SCALE_IDS = ['signal', 'code'] as const;
const INTERPOLATION_IDS = Object.keys(INTERPOLATIONS) as InterpolationId[];

/** A LUT as it was baked, for the kit. */
export type BakedFile = {
  readonly text: string;
  readonly scale: CubeScale;
  readonly interpolation: InterpolationId;
};

/** What each size loses, and the file. */
export const WriteFile = ({
  source,
  name,
  notes,
  onKeep,
}: {
  source?: LutSource;
  name: string;
  /** What the file says of itself, a line each. */
  notes: readonly string[];
  /** Takes what was baked into the kit, where it cannot be kept as what it is made from. */
  onKeep?: (baked: BakedFile) => void;
}) => {
  const { luts } = useBench();
  const selection = useSelection();
  const [size, setSize] = useState(33);
  const [shaped, setShaped] = useState(false);
  const [format, setFormat] = useState<LutFormatId>('cube');
  const [scale, setScale] = useState<CubeScale>('signal');
  const [interpolation, setInterpolation] = useState<InterpolationId>('tetrahedral');
  const [said, setSaid] = useState<{ readonly text: string; readonly bad: boolean }>();
  const { losses, old, problem } = useLosses(source);
  const { coding } = selection.camera;
  const { extension, type } = LUT_WRITERS[format];
  const file = `${slug(name)}.${extension}`;
  /** The text in a format; undefined where it cannot be said in it, and then the reason is said. */
  const made = async (as: LutFormatId) => {
    if (!source) return undefined;
    const words = wordsFor(name, {
      selection,
      input: selection.profile.name,
      output: outputOf(source.output).name,
      scale,
      coding,
      notes: [...notes, `Interpolation meant: ${interpolation}`],
    });
    const { wish } = source;
    const outcome = await luts.write({
      wish,
      format: as,
      size,
      shaped: shaped && as === 'clf',
      scale,
      coding,
      interpolation,
      words,
    });
    if (outcome.state === 'failed') setSaid({ text: outcome.reason, bad: true });
    if (outcome.state !== 'done') return undefined;
    if (outcome.output.ok) return outcome.output.value;
    setSaid({ text: outcome.output.reason, bad: true });
    return undefined;
  };
  const write = async () => {
    const found = await made(format);
    if (!found) return;
    download(file, found.text, type);
    const left = found.leaves === undefined ? '' : ` ${found.leaves}`;
    setSaid({ text: `${file}: built in ${found.milliseconds.toFixed(0)} ms.${left}`, bad: false });
  };
  const keep = async () => {
    const found = await made(shaped ? 'clf' : 'cube');
    if (!found || !onKeep) return;
    onKeep({ text: found.text, scale, interpolation });
    setSaid({ text: `Kept, ${size} points.`, bad: false });
  };
  return (
    <div className="lut-bake">
      <div>
        <LossTable
          losses={losses}
          old={old}
          size={size}
          shaped={shaped}
          onPick={(points, withIt) => {
            setSize(points);
            setShaped(withIt);
            if (withIt) setFormat('clf');
          }}
        />
        <p className="quiet small mb-0">
          {problem}
          {losses &&
            (losses.separable
              ? 'Channels do not mix: three curves (1D) say it all.'
              : 'Channels mix: it takes a cube.')}
        </p>
      </div>
      <div className="lut-write">
        <Form.Select
          size="sm"
          aria-label="Format"
          title={LUT_WRITERS[format].says}
          value={format}
          onChange={(event) => {
            const picked = event.target.value as LutFormatId;
            setFormat(picked);
            // No other format holds a shaper.
            if (picked !== 'clf') setShaped(false);
          }}
        >
          {LUT_FORMAT_IDS.map((id) => (
            <option key={id} value={id}>
              {LUT_WRITERS[id].name}
            </option>
          ))}
        </Form.Select>
        <Segmented
          label="Scale of 0 to 1"
          options={SCALE_IDS.map((id) => ({ id, name: CUBE_SCALES[id].name, says: CUBE_SCALES[id].says }))}
          value={scale}
          onPick={setScale}
        />
        {(format === 'cube' || format === 'clf') && (
          <Segmented
            label="Interpolation"
            options={INTERPOLATION_IDS.map((id) => ({
              id,
              name: INTERPOLATIONS[id].name,
              says: INTERPOLATIONS[id].says,
            }))}
            value={interpolation}
            onPick={setInterpolation}
          />
        )}
        <Button
          variant="primary"
          size="sm"
          className="lut-file"
          disabled={!source}
          title={CUBE_SCALES[scale].says}
          onClick={() => void write()}
        >
          <Download size={16} aria-hidden="true" /> <span>{file}</span>
        </Button>
        {onKeep && (
          <Button variant="outline-secondary" size="sm" disabled={!source} onClick={() => void keep()}>
            Keep in the kit
          </Button>
        )}
        {said && (
          <p className={said.bad ? 'field-error' : 'quiet small mb-0'} role="status">
            {said.text}
          </p>
        )}
      </div>
    </div>
  );
};
