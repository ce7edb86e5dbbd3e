'use client';

import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import {
  GAMUT_IDS,
  GAMUTS,
  gamutOf,
  UNKNOWN_GAMUT,
  type GamutId,
  type GamutSpec,
} from '#core/colour/gamut.ts';
import type { ProfileData } from '#core/profile/index.ts';
import { ChartWay, MatrixWay } from './GamutWays.tsx';
import { CORNERS, gamutTexts, readGamut } from './gamutModel.ts';
import { words } from '#ui/wording/kit.ts';

const TYPED = 'typed';
const MATRIX = 'matrix';
const CHART = 'chart';

/** A gamut by its standard's name, or by primaries and white typed off the paper. */
export const GamutField = ({
  value,
  curve,
  onChange,
}: {
  value: GamutSpec;
  /** The curve that a chart's readings are turned to light by. */
  curve: ProfileData;
  onChange: (gamut: GamutSpec) => void;
}) => {
  const [texts, setTexts] = useState(() => gamutTexts(gamutOf(value)));
  const [way, setWay] = useState<string>();
  const own = typeof value !== 'string' && way === undefined;
  const read = own ? readGamut(texts, 'own primaries') : undefined;
  const pick = (id: string) => {
    setWay(id === MATRIX || id === CHART ? id : undefined);
    if (id === MATRIX || id === CHART) return;
    if (id !== TYPED) return onChange(id as GamutId | typeof UNKNOWN_GAMUT);
    setTexts(gamutTexts(gamutOf(value)));
    onChange({ ...gamutOf(value), name: words.ownPrimaries });
  };
  return (
    <>
      <div className="anchor-half">
        <Form.Label htmlFor="anchor-gamut">{words.gamut}</Form.Label>
        <Form.Select
          id="anchor-gamut"
          value={way ?? (typeof value === 'string' ? value : TYPED)}
          onChange={(event) => pick(event.target.value)}
        >
          <option value={UNKNOWN_GAMUT}>{words.unknownGamut}</option>
          {GAMUT_IDS.map((id) => (
            <option key={id} value={id}>
              {GAMUTS[id].name}
            </option>
          ))}
          <option value={TYPED}>{words.typedPrimaries}</option>
          <option value={MATRIX}>{words.aMatrix}</option>
          <option value={CHART}>{words.solvedFromAChart}</option>
        </Form.Select>
      </div>
      {way === MATRIX && <MatrixWay onChange={onChange} />}
      {way === CHART && <ChartWay curve={curve} onChange={onChange} />}
      {own &&
        CORNERS.map((corner) => (
          <div className="anchor-quarter" key={corner}>
            <Form.Label htmlFor={`gamut-${corner}`}>{corner} x y</Form.Label>
            <Form.Control
              id={`gamut-${corner}`}
              isInvalid={read && !read.ok && read.where === corner}
              className="num"
              autoComplete="off"
              value={texts[corner]}
              onChange={(event) => {
                const next = { ...texts, [corner]: event.target.value };
                setTexts(next);
                const gamut = readGamut(next, 'own primaries');
                if (gamut.ok) onChange(gamut.value);
              }}
            />
          </div>
        ))}
      {read && !read.ok && (
        <p className="anchor-wide field-error" role="alert">
          {read.reason} The gamut before stays in use.
        </p>
      )}
    </>
  );
};
