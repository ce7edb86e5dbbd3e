'use client';

import type { ReactNode } from 'react';
import type { TermId } from './glossary.ts';
import { words } from '#ui/wording/help.ts';

/** A bar of stops from floor to clip, with marks on it; drawn for every term that is a place or a way on it. */
const Bar = ({ children, label }: { children: ReactNode; label: string }) => (
  <svg className="term-drawing" viewBox="0 0 220 54" role="img" aria-label={label}>
    <rect x="8" y="22" width="204" height="10" className="term-bar" />
    {children}
  </svg>
);
/** Where a stop lies on the bar, from −6 to +6. */
const at = (stops: number) => 110 + stops * 17;

const Tick = ({ stops, name, isOver = true }: { stops: number; name: string; isOver?: boolean }) => (
  <>
    <line x1={at(stops)} x2={at(stops)} y1="18" y2="36" className="term-mark" />
    <text x={at(stops)} y={isOver ? 13 : 49} textAnchor="middle">
      {name}
    </text>
  </>
);
const Way = ({ from, to }: { from: number; to: number }) => (
  <path
    className="term-way"
    d={`M${at(from)} 27H${at(to)}m${to > from ? -6 : 6} -4l${to > from ? 6 : -6} 4l${to > from ? -6 : 6} 4`}
  />
);

const DRAWINGS: Partial<Record<TermId, ReactNode>> = {
  placement: (
    <Bar label={words.theCardMovedFrom}>
      <Tick stops={0} name="0" isOver={false} />
      <Tick stops={2} name={words.cardAtTwo} />
      <Way from={0} to={2} />
    </Bar>
  ),
  pull: (
    <Bar label={words.theCardRecordedAt}>
      <Tick stops={0} name="shown" isOver={false} />
      <Tick stops={2} name="recorded" />
      <Way from={2} to={0} />
    </Bar>
  ),
  floor: (
    <Bar label={words.floorAt5Under}>
      <rect x="8" y="22" width={at(-5) - 8} height="10" className="term-lost" />
      <Tick stops={-5} name="floor" />
      <Tick stops={0} name="card" isOver={false} />
    </Bar>
  ),
  clip: (
    <Bar label={words.clipAt5Over}>
      <rect x={at(5)} y="22" width={212 - at(5)} height="10" className="term-lost" />
      <Tick stops={5} name="clip" />
      <Tick stops={0} name="card" isOver={false} />
    </Bar>
  ),
  room: (
    <Bar label={words.roomFromTheBrightest}>
      <Tick stops={3} name="brightest" />
      <Tick stops={5} name="clip" isOver={false} />
      <Way from={3} to={5} />
    </Bar>
  ),
  skin: (
    <Bar label={words.aFace12}>
      <Tick stops={0} name="card" isOver={false} />
      <Tick stops={1.2} name="face" />
      <Way from={0} to={1.2} />
    </Bar>
  ),
  diffuse: (
    <Bar label={words.white23Stops}>
      <Tick stops={0} name="card" isOver={false} />
      <Tick stops={2.3} name="white" />
    </Bar>
  ),
  warning: (
    <Bar label={words.theWarningFromJust}>
      <rect x={at(4.7)} y="22" width={212 - at(4.7)} height="10" className="term-lost" />
      <Tick stops={4.7} name="warning" />
      <Tick stops={5.2} name="clip" isOver={false} />
    </Bar>
  ),
};

/** The drawing of a term, where one helps. */
export const Drawing = ({ id }: { id: TermId }) => DRAWINGS[id] ?? null;
