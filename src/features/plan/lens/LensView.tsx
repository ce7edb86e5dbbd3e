'use client';

import { DepthPanel } from './DepthPanel.tsx';
import { GlassPanel } from './GlassPanel.tsx';
import { LensPanel } from './LensPanel.tsx';
import { MotionPanel } from './MotionPanel.tsx';

/** The lens: depth, motion, and the glass before it. */
export const LensView = () => (
  <div className="lens-parts">
    <div>
      <LensPanel />
      <MotionPanel />
    </div>
    <div>
      <DepthPanel />
      <GlassPanel />
    </div>
  </div>
);
