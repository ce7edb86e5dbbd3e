'use client';

import { Maximize2, Minimize2 } from 'lucide-react';
import { useMemo, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { matrixOfTags } from '#core/frame/tags.ts';
import { SCOPE_IDS, SCOPES, type ScopeId, type ScopeScale } from '#core/scopes/scopeList.ts';
import { placeAngle } from '#core/scopes/vectorscopePicture.ts';
import { LUMA, LUMA_IDS, type LumaId } from '#core/signal/luma.ts';
import type { Coding } from '#core/signal/scale.ts';
import { useBench, useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Popup } from '#ui/parts/Popup.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { useSize } from '#ui/parts/useSize.ts';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import { Graticule } from './Graticule.tsx';
import { BELOW, LEFT, Levels } from './Levels.tsx';
import { scopeAxis } from './scopeAxes.ts';
import { regionOf, regionOptions } from './scopeRegion.ts';

const COLUMNS = 640;
const ROWS = 320;

const SCALE_NAMES: { readonly [K in ScopeScale]: { name: string; says: string } } = {
  stops: { name: 'stops', says: 'Stops from middle grey, through the profile' },
  percent: { name: '%', says: '% of signal' },
  code: { name: 'code', says: 'Code values of the recording' },
};

/** Each press twice as large. */
const REACHES = [1, 0.5, 0.25] as const;

const isHistogram = (scope: ScopeId) => scope === 'histogram' || scope === 'rgbHistogram';

/** A scope that can be changed for another, read off, and made large. */
export const ScopePane = ({
  place,
  scope,
  scale,
  of,
  large,
  onScope,
  onScale,
  onOf,
  onLarge,
  lead,
}: {
  place: 'first' | 'second';
  scope: ScopeId;
  scale: ScopeScale;
  of: string;
  large: boolean;
  onScope: (scope: ScopeId) => void;
  onScale: (scale: ScopeScale) => void;
  onOf: (of: string) => void;
  onLarge: () => void;
  /** Stands before the name: the way to what else may be in this place. */
  lead?: ReactNode;
}) => {
  const { session } = useBench();
  const selection = useSelection();
  const { numbers, profile: shown } = useCard();
  const { frame, patches } = useSession((state) => ({ frame: state.frame, patches: state.patches }));
  const [box, { width, height }] = useSize({ width: 600, height: 220 });
  const [brightness, setBrightness] = useState(1);
  const [hold, setHold] = useState(false);
  const [zoom, setZoom] = useState(0);
  const [picked, setPicked] = useState<LumaId>();
  const [pointer, setPointer] = useState<readonly [number, number]>();
  const serial = frame?.serial;
  const info = frame?.info;
  const recorded = matrixOfTags(info?.tags ?? {});
  const matrix = picked ?? recorded;
  const profile = shown.data;
  const reach = REACHES[zoom];
  const region = info && regionOf(of, patches, info);
  const regionKey = JSON.stringify(region);
  const { bitDepth = 10, range = 'legal', feed } = info ?? {};
  const coding = useMemo((): Coding => ({ bitDepth, range, feed }), [bitDepth, range, feed]);
  const axis = useMemo(() => scopeAxis(scale, coding, numbers.profile), [scale, coding, numbers.profile]);
  const ask = useMemo(() => {
    if (serial === undefined) return undefined;
    const made = regionKey === undefined ? undefined : JSON.parse(regionKey);
    return (signal: AbortSignal) =>
      session.look.scope(
        {
          pane: place,
          scope,
          profile,
          scale,
          axis: axis.range,
          columns: COLUMNS,
          height: ROWS,
          ramp: 'viridis',
          matrix,
          region: made,
          brightness,
          reach,
          hold,
        },
        { signal },
      );
  }, [session, serial, profile, scope, scale, axis, matrix, regionKey, brightness, reach, hold, place]);
  const { canvas, problem, painted } = useCanvas(ask);

  const round = scope === 'vectorscope';
  const lying = isHistogram(scope);
  const size = Math.min(width, height);
  const left = round ? (width - size) / 2 : LEFT;
  const drawn = round
    ? { left, width: size, height: size }
    : { left: LEFT, width: Math.max(0, width - LEFT), height: lying ? height - BELOW : height };
  const onMove = (event: PointerEvent<HTMLElement>) => {
    const at = event.currentTarget.getBoundingClientRect();
    setPointer([event.clientX - at.left, event.clientY - at.top]);
  };
  /** By keyboard the reading moves too: from the middle, a bit at a time. */
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (event.key === 'Escape') setPointer(undefined);
    if (!by) return;
    event.preventDefault();
    const step = event.shiftKey ? 10 : 2;
    const [x, y] = pointer ?? [width / 2, height / 2];
    setPointer([
      Math.min(width, Math.max(0, x + by[0] * step)),
      Math.min(height, Math.max(0, y + by[1] * step)),
    ]);
  };
  const pointed = pointer && {
    level: lying
      ? axis.range[0] + ((pointer[0] - LEFT) / Math.max(1, width - LEFT)) * (axis.range[1] - axis.range[0])
      : axis.range[1] - (pointer[1] / Math.max(1, height)) * (axis.range[1] - axis.range[0]),
    place: {
      x: ((pointer[0] - left - size / 2) / (size / 2)) * reach,
      y: ((size / 2 - pointer[1]) / (size / 2)) * reach,
    },
  };
  const moves = frame !== undefined && frame.kind !== 'still';

  return (
    <section className={`panel scope scope-${place}${large ? ' scope-large' : ''}`} data-scope={scope}>
      <header className="panel-head">
        {lead}
        <Form.Select
          size="sm"
          className="scope-pick"
          aria-label={`${place === 'first' ? 'First' : 'Second'} scope`}
          title={SCOPES[scope].says}
          value={scope}
          onChange={(event) => onScope(event.target.value as ScopeId)}
        >
          {SCOPE_IDS.map((id) => (
            <option key={id} value={id}>
              {SCOPES[id].name}
            </option>
          ))}
        </Form.Select>
        {place === 'first' && (
          <span className="quiet scope-note">
            {round ? 'Cb, Cr' : `${axis.name}${of === 'frame' ? '' : ', part'}`}
          </span>
        )}
        <div className="panel-tools">
          {!round && place === 'first' && (
            <Segmented
              label="Scope scale"
              options={SCOPES[scope].scales.map((id) => ({ id, ...SCALE_NAMES[id] }))}
              value={scale}
              onPick={onScale}
            />
          )}
          <Popup
            name="Set"
            label="Scope settings"
            says="Scale, part, brightness, hold, zoom"
            placement="top-end"
          >
            {!round && place === 'second' && (
              <Segmented
                label="Scope scale"
                options={SCOPES[scope].scales.map((id) => ({ id, ...SCALE_NAMES[id] }))}
                value={scale}
                onPick={onScale}
              />
            )}
            <Form.Label htmlFor={`of-${place}`}>Made of</Form.Label>
            <Form.Select
              id={`of-${place}`}
              size="sm"
              value={of}
              onChange={(event) => onOf(event.target.value)}
            >
              {regionOptions(patches, selection.subjects).map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Form.Select>
            <Form.Label className="mt-2" htmlFor={`brightness-${place}`}>
              Brightness {Math.round(100 * brightness)} %
            </Form.Label>
            <Form.Range
              id={`brightness-${place}`}

              min="0.3"
              max="2"
              step="0.1"
              value={brightness}
              onChange={(event) => setBrightness(Number(event.target.value))}
            />
            {round && (
              <>
                <span className="form-label">Zoom</span>
                <Segmented
                  label="Vectorscope zoom"
                  options={REACHES.map((one, i) => ({ id: String(i), name: `${1 / one}×` }))}
                  value={String(zoom)}
                  onPick={(id) => setZoom(Number(id))}
                />
                <span className="form-label mt-2 d-block">Matrix</span>
                <Segmented
                  label="Vectorscope matrix"
                  options={LUMA_IDS.map((id) => ({
                    id,
                    name: LUMA[id].name,
                    says: id === recorded ? 'The recording’s own' : 'Worked out from R′G′B′',
                  }))}
                  value={matrix}
                  onPick={setPicked}
                />
              </>
            )}
            {moves && (
              <div className="mt-2">
                <Toggle
                  on={hold}
                  name="Hold peaks"
                  says="Everything seen since it is on stays drawn"
                  onFlip={() => setHold(!hold)}
                />
              </div>
            )}
          </Popup>
          <Button
            variant="outline-secondary"
            size="sm"
            className="icon-button"
            aria-label={large ? 'Back to its place' : 'Large'}
            title={large ? 'Back to its place' : 'Change places with the picture'}
            aria-pressed={large}
            onClick={onLarge}
          >
            {large ? <Minimize2 size={14} aria-hidden /> : <Maximize2 size={14} aria-hidden />}
          </Button>
        </div>
      </header>
      <div className="panel-body">
        <div
          className="scope-box"
          ref={box}
          role="group"
          tabIndex={0}
          aria-label={`${SCOPES[scope].name}: arrow keys read it off`}
          onPointerMove={onMove}
          onPointerLeave={() => setPointer(undefined)}
          onKeyDown={onKey}
        >
          <output className="visually-hidden">
            {pointed &&
              (round ? `${placeAngle(pointed.place).toFixed(0)} degrees` : axis.read(pointed.level))}
          </output>
          {frame ? (
            <>
              <canvas
                ref={canvas}
                data-painted={painted}
                role="img"
                aria-label={`${SCOPES[scope].name} of ${frame.name}`}
                style={drawn}
              />
              <svg width={width} height={height} aria-hidden="true">
                {round ? (
                  <Graticule
                    size={size}
                    left={left}
                    reach={reach}
                    matrix={matrix}
                    coding={coding}
                    pointer={pointed?.place}
                  />
                ) : (
                  <Levels
                    axis={axis}
                    width={width}
                    height={height}
                    along={lying ? 'right' : 'up'}
                    pointer={pointed?.level}
                  />
                )}
              </svg>
            </>
          ) : (
            <Empty title="No frame, no scope" />
          )}
          {problem && <p className="field-error">{problem}</p>}
        </div>
      </div>
    </section>
  );
};
