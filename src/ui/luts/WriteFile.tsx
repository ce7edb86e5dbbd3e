'use client';

import { Download } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { LUT_FORMAT_IDS, LUT_FORMATS, type LutFormatId } from '#core/formats/lutFormats.ts';
import { CUBE_SCALES } from '#core/lut/cubeScale.ts';
import { INTERPOLATIONS, type InterpolationId } from '#core/lut/lut.ts';
import { Segmented } from '../parts/Segmented.tsx';
import { LossTable } from './LossTable.tsx';
import type { LutSource } from './lutSource.ts';
import { useLosses } from './useLosses.ts';
import { useLutFile, type BakedFile, type LutFileOptions } from './useLutFile.ts';
import { words } from '#ui/wording/luts.ts';

const SCALE_IDS = ['signal', 'code'] as const;
const INTERPOLATION_IDS = Object.keys(INTERPOLATIONS) as InterpolationId[];

type Change = (part: Partial<LutFileOptions>) => void;

export const FormatOptions = ({ options, change }: { options: LutFileOptions; change: Change }) => {
  const { format, scale, interpolation } = options;
  return (
    <>
      <Form.Select
        size="sm"
        aria-label={words.format}
        title={LUT_FORMATS[format].says}
        value={format}
        onChange={(event) => change({ format: event.target.value as LutFormatId })}
      >
        {LUT_FORMAT_IDS.map((id) => (
          <option key={id} value={id}>
            {LUT_FORMATS[id].name}
          </option>
        ))}
      </Form.Select>
      <Segmented
        label={words.scaleOf0To}
        options={SCALE_IDS.map((id) => ({ id, name: CUBE_SCALES[id].name, says: CUBE_SCALES[id].says }))}
        value={scale}
        onPick={(id) => change({ scale: id })}
      />
      {(format === 'cube' || format === 'clf') && (
        <Segmented
          label={words.interpolation}
          options={INTERPOLATION_IDS.map((id) => ({
            id,
            name: INTERPOLATIONS[id].name,
            says: INTERPOLATIONS[id].says,
          }))}
          value={interpolation}
          onPick={(id) => change({ interpolation: id })}
        />
      )}
    </>
  );
};

const SizeOptions = ({
  source,
  options: { size, shaped },
  change,
}: {
  source?: LutSource;
  options: LutFileOptions;
  change: Change;
}) => {
  const { losses, old, problem } = useLosses(source);
  const mixes = losses?.separable
    ? 'Channels do not mix: three curves (1D) say it all.'
    : 'Channels mix: it takes a cube.';
  return (
    <div>
      <LossTable
        losses={losses}
        old={old}
        size={size}
        shaped={shaped}
        onPick={(points, withIt) => change({ size: points, shaped: withIt })}
      />
      <p className="quiet small mb-0">
        {problem}
        {losses && mixes}
      </p>
    </div>
  );
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
  const { options, change, file, said, write, keep } = useLutFile(source, name, notes);
  return (
    <div className="lut-bake">
      <SizeOptions source={source} options={options} change={change} />
      <div className="lut-write">
        <FormatOptions options={options} change={change} />
        <Button
          variant="primary"
          size="sm"
          className="lut-file"
          disabled={!source}
          title={CUBE_SCALES[options.scale].says}
          onClick={() => void write()}
        >
          <Download size={16} aria-hidden="true" /> <span>{file}</span>
        </Button>
        {onKeep && (
          <Button variant="outline-secondary" size="sm" disabled={!source} onClick={() => void keep(onKeep)}>
            {words.keepInTheKit}
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
