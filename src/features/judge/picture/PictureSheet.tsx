'use client';

import { useMemo } from 'react';
import { useStore } from 'zustand';
import type { Rect } from '#core/frame/frame.ts';
import { patchesAt } from '#core/scopes/tracks.ts';
import { printStopsDecimal } from '#core/units.ts';
import { patchStops } from '#core/verdict/patchStops.ts';
import { useBench, useCard, useSession } from '#ui/bench/hooks.ts';
import type { OpenFrame } from '#ui/bench/session/state.ts';
import type { JudgeLook } from '../useJudgeView.ts';
import { Guides } from './Guides.tsx';
import { Magnifier } from './Magnifier.tsx';
import { PatchLayer } from './PatchLayer.tsx';
import { Beside, Wipe } from './SecondLayer.tsx';
import type { Tool } from './tools.ts';
import type { PictureDrawing } from './usePictureDrawing.ts';
import { words } from '#ui/wording/judgePicture.ts';

const usePatchLabels = (tools: readonly Tool[]): Readonly<Record<string, string>> => {
  const { numbers } = useCard();
  const measurement = useSession(({ measured }) => measured?.measurement);
  return useMemo(() => {
    const read = (measurement?.patches ?? []).map((reading) => {
      const { patch } = reading;
      const stops = measurement && patchStops(reading, measurement.coding, numbers.profile);
      const name = tools.find(({ id }) => id === patch.id)?.name ?? patch.kind;
      return [patch.id, `${name} ${stops === undefined ? '' : printStopsDecimal(stops)}`] as const;
    });
    return Object.fromEntries(read);
  }, [measurement, numbers, tools]);
};

/** Marks as they lie at the frame that is shown. */
const usePatchesHere = (frame: OpenFrame) => {
  const { session } = useBench();
  const { marks, keyed } = useSession((state) => ({ marks: state.patches, keyed: state.keyed }));
  const at = useStore(session.moving, (moving) => (frame.kind === 'clip' ? moving.at : 0));
  return patchesAt(marks, keyed, at);
};

/** The picture with what lies over it, and the one beside it. */
export const PictureSheet = ({
  frame,
  look,
  drawing,
  tools,
  tool,
  highlight,
}: {
  frame: OpenFrame;
  look: JudgeLook;
  drawing: PictureDrawing;
  tools: readonly Tool[];
  tool: Tool;
  highlight?: Rect;
}) => {
  const { session } = useBench();
  const labels = usePatchLabels(tools);
  const patches = usePatchesHere(frame);
  const { canvas, painted, request, against, isBeside, shown: scale } = drawing;
  const { width, height } = frame.info;
  const size = { width: width * scale, height: height * scale };
  const second = against && request && { against, request, serial: frame.serial };
  return (
    <>
      <div className="picture-sheet" style={size} data-painted={painted} data-size={`${width}×${height}`}>
        <canvas ref={canvas} role="img" aria-label={words.pictureOfNamed(frame.name)} />
        {second && !isBeside && <Wipe {...second} />}
        <Guides
          width={width}
          height={height}
          scale={scale}
          guide={look.guide}
          own={look.ratio}
          safe={look.safe}
        />
        <PatchLayer
          width={width}
          height={height}
          scale={scale}
          patches={patches}
          labels={labels}
          tool={tool}
          highlight={highlight}
          onSet={session.frame.setPatch}
          onRemove={session.frame.removePatch}
        />
        {look.glass && <Magnifier info={frame.info} picture={canvas} painted={painted} />}
      </div>
      {second && isBeside && <Beside {...second} {...size} />}
    </>
  );
};
