'use client';

import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { SCOPES } from '#core/scopes/scopeList.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { useSize, type Size } from '#ui/parts/useSize.ts';
import { Graticule } from '#ui/scopes/Graticule.tsx';
import { Levels } from './Levels.tsx';
import { movedByKey, scopeGeometry, type Geometry, type Point, type Reading } from './scopeGeometry.ts';
import type { ScopeChoice } from './useScopeChoice.ts';
import type { ScopeDrawing } from './useScopeDrawing.ts';
import { words } from '#ui/wording/judgeScopes.ts';

type Props = { readonly choice: ScopeChoice; readonly drawing: ScopeDrawing };

const Grid = ({
  choice,
  drawing,
  geometry,
  box,
  reading,
}: Props & { readonly geometry: Geometry; readonly box: Size; readonly reading?: Reading }) => {
  const { plane } = SCOPES[choice.scope];
  const { axis, reach, matrix, coding } = drawing;
  return (
    <svg width={box.width} height={box.height} aria-hidden="true">
      {plane === 'chroma' ? (
        <Graticule
          size={geometry.drawn.width}
          left={geometry.drawn.left}
          reach={reach}
          matrix={matrix}
          coding={coding}
          pointer={reading?.place}
        />
      ) : (
        <Levels
          axis={axis}
          width={box.width}
          height={box.height}
          along={plane === 'levelsRight' ? 'right' : 'up'}
          pointer={reading?.level}
        />
      )}
    </svg>
  );
};

/** The scope itself under its grid; pointer and arrow keys read it off. */
export const ScopeScreen = ({ choice, drawing }: Props) => {
  const { frame, canvas, painted, problem, axis, reach } = drawing;
  const [box, size] = useSize({ width: 600, height: 220 });
  const [pointer, setPointer] = useState<Point>();
  const { name, plane } = SCOPES[choice.scope];
  const geometry = scopeGeometry(plane, { box: size, axis, reach });
  const reading = pointer && geometry.readAt(pointer);
  const onMove = (event: PointerEvent<HTMLElement>) => {
    const at = event.currentTarget.getBoundingClientRect();
    setPointer([event.clientX - at.left, event.clientY - at.top]);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'Escape') setPointer(undefined);
    const moved = movedByKey(event, size, pointer);
    if (!moved) return;
    event.preventDefault();
    setPointer(moved);
  };
  return (
    <div
      className="scope-box"
      ref={box}
      role="group"
      tabIndex={0}
      aria-label={words.arrowKeysReadIt(name)}
      onPointerMove={onMove}
      onPointerLeave={() => setPointer(undefined)}
      onKeyDown={onKey}
    >
      <output className="visually-hidden">{reading?.words}</output>
      {frame ? (
        <>
          <canvas
            ref={canvas}
            data-painted={painted}
            role="img"
            aria-label={`${name} of ${frame.name}`}
            style={geometry.drawn}
          />
          <Grid choice={choice} drawing={drawing} geometry={geometry} box={size} reading={reading} />
        </>
      ) : (
        <Empty title={words.noFrameNoScope} />
      )}
      {problem && <p className="field-error">{problem}</p>}
    </div>
  );
};
