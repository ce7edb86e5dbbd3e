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
import { CORNERS, gamutTexts, readGamut } from './gamutModel.ts';
import { words } from '#ui/wording/kit.ts';

const TYPED = 'typed';

/** A gamut by its standard's name, or by primaries and white typed off the paper. */
export const GamutField = ({
  value,
  onChange,
}: {
  value: GamutSpec;
  onChange: (gamut: GamutSpec) => void;
}) => {
  const [texts, setTexts] = useState(() => gamutTexts(gamutOf(value)));
  const own = typeof value !== 'string';
  const read = own ? readGamut(texts, 'own primaries') : undefined;
  const pick = (id: string) => {
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
          value={own ? TYPED : value}
          onChange={(event) => pick(event.target.value)}
        >
          <option value={UNKNOWN_GAMUT}>{words.unknownGamut}</option>
          {GAMUT_IDS.map((id) => (
            <option key={id} value={id}>
              {GAMUTS[id].name}
            </option>
          ))}
          <option value={TYPED}>{words.typedPrimaries}</option>
        </Form.Select>
      </div>
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
