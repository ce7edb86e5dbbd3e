'use client';

import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { CHART_LIGHT_IDS, CHART_LIGHTS, type ChartLightId } from '#core/colour/chartLights.ts';
import { GAMUTS, type Gamut, type GamutId } from '#core/colour/gamut.ts';
import type { ProfileData } from '#core/profile/index.ts';
import { useSelection, useSession } from '#ui/bench/hooks.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { useSame } from '#ui/useSame.ts';
import { words } from '#ui/wording/kitGamut.ts';
import {
  CHART_READS,
  gamutFromChart,
  MATRIX_TO,
  readMatrix,
  type ChartReads,
  type Marks,
  type MatrixTo,
} from './gamutWays.ts';

/** A gamut by a 3 x 3, typed or pasted. */
export const MatrixWay = ({ onChange }: { onChange: (gamut: Gamut) => void }) => {
  const [text, setText] = useState('');
  const [to, setTo] = useState<MatrixTo>('xyz');
  const read = text.trim() === '' ? undefined : readMatrix(text, to, words.ownMatrix);
  const take = (next: string, target: MatrixTo) => {
    setText(next);
    setTo(target);
    const gamut = readMatrix(next, target, words.ownMatrix);
    if (gamut.ok) onChange(gamut.value);
  };
  return (
    <>
      <Form.Group className="anchor-wide" controlId="gamut-matrix">
        <Form.Label>{words.nineNumbers}</Form.Label>
        <Form.Control
          as="textarea"
          rows={3}
          className="num"
          value={text}
          isInvalid={read && !read.ok}
          onChange={(event) => take(event.target.value, to)}
        />
      </Form.Group>
      <Form.Group className="anchor-wide" controlId="gamut-matrix-to">
        <Form.Label>{words.matrixLeadsTo}</Form.Label>
        <Form.Select value={to} onChange={(event) => take(text, event.target.value as MatrixTo)}>
          {MATRIX_TO.map((id) => (
            <option key={id} value={id}>
              {id === 'xyz' ? words.xyz : words.linearOf(GAMUTS[id as GamutId].name)}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {read && !read.ok && (
        <p className="anchor-wide field-error" role="alert">
          {read.reason}
        </p>
      )}
    </>
  );
};

/** Marks on the frame on the bench; none where nothing was measured. */
const useMarks = (): Marks => {
  const measured = useSession((state) => state.measured);
  return useMemo(
    () => measured?.measurement.patches.map(({ r, g, b }) => [r, g, b] as const) ?? [],
    [measured],
  );
};

/** A gamut solved from a chart whose colours are known. */
export const ChartWay = ({ curve, onChange }: { curve: ProfileData; onChange: (gamut: Gamut) => void }) => {
  const { coding } = useSelection().camera;
  const marks = useMarks();
  const [text, setText] = useState('');
  const [light, setLight] = useState<ChartLightId>('d65');
  const [reads, setReads] = useState<ChartReads>('percent');
  const how = { light, reads, name: words.fromAChart };
  const fit = text.trim() === '' ? undefined : gamutFromChart(text, how, curve, coding, marks);
  // The readings become light through the curve: where that is solved anew, the gamut is another one too.
  const gamut = useSame(fit?.ok ? fit.value.gamut : undefined);
  const tell = useRef(onChange);
  useLayoutEffect(() => {
    tell.current = onChange;
  });
  useEffect(() => {
    if (gamut) tell.current(gamut);
  }, [gamut]);
  return (
    <>
      <Form.Group className="anchor-wide" controlId="gamut-chart">
        <Form.Label>{words.chartRows}</Form.Label>
        <Form.Control
          as="textarea"
          rows={4}
          className="num table-text csv-text"
          placeholder={words.chartExample}
          value={text}
          isInvalid={fit && !fit.ok}
          onChange={(event) => setText(event.target.value)}
        />
        <Form.Text>{words.chartColumns}</Form.Text>
      </Form.Group>
      <Form.Group className="anchor-half" controlId="gamut-light">
        <Form.Label>{words.filmedIn}</Form.Label>
        <Form.Select value={light} onChange={(event) => setLight(event.target.value as ChartLightId)}>
          {CHART_LIGHT_IDS.map((id) => (
            <option key={id} value={id}>
              {CHART_LIGHTS[id].name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group className="anchor-half" controlId="gamut-reads">
        <Form.Label>{words.rgbAre}</Form.Label>
        <Form.Select value={reads} onChange={(event) => setReads(event.target.value as ChartReads)}>
          {(Object.keys(CHART_READS) as ChartReads[]).map((id) => (
            <option key={id} value={id}>
              {CHART_READS[id]}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <div className="anchor-wide" aria-live="polite">
        {fit && !fit.ok && <p className="field-error">{fit.reason}</p>}
        {fit?.ok && (
          <>
            <p className="mb-1">
              {words.chartFits(
                fit.value.patches.length,
                fit.value.mean.toFixed(2),
                fit.value.leftOutMean.toFixed(2),
              )}
            </p>
            <Folded title={words.eachPatch}>
              <p className="num residuals">
                {[...fit.value.patches]
                  .sort((a, b) => b.leftOut - a.leftOut)
                  .map(({ name, off, leftOut }) => (
                    <span key={name}>
                      {name}: {off.toFixed(1)} ({leftOut.toFixed(1)})
                    </span>
                  ))}
              </p>
            </Folded>
          </>
        )}
      </div>
    </>
  );
};
