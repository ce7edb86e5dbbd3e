'use client';

import { useRef } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { MatchBenchState } from '#ui/bench/match/matchBench.ts';
import { useMatchBench } from '#ui/bench/match/useMatchBench.ts';
import { words } from '#ui/wording/match.ts';
import type { Side } from '#workers/match/protocol.ts';
import type { MatchPair } from './useMatchPair.ts';

/** Opens a still or a clip on a side. */
export const FileButton = ({ side, pair }: { side: Side; pair: MatchPair }) => {
  const bench = useMatchBench();
  const input = useRef<HTMLInputElement>(null);
  const { coding, name } = pair.selections[side].camera;
  return (
    <>
      <Form.Control
        ref={input}
        type="file"
        hidden
        aria-label={words.fileFor(name)}
        onChange={(event) => {
          const field = event.target as HTMLInputElement;
          const file = field.files?.[0];
          if (file) void bench.open(side, file, { range: coding.range });
          field.value = '';
        }}
      />
      <Button size="sm" variant="outline-secondary" onClick={() => input.current?.click()}>
        {side === 'hero' ? words.openHero : words.openCamera}
      </Button>
    </>
  );
};

/** Which frame of a clip is looked at. */
export const Frames = ({ side, pair, state }: { side: Side; pair: MatchPair; state: MatchBenchState }) => {
  const bench = useMatchBench();
  const at = state.sides[side];
  const { camera } = pair.selections[side];
  if (!at?.clip || !at.file || at.clip.frames < 2) return null;
  const { file, clip } = at;
  return (
    <Form.Range
      aria-label={words.frameOf(camera.name)}
      min={0}
      max={clip.frames - 1}
      value={clip.frame}
      onChange={(event) =>
        void bench.open(
          side,
          file,
          { range: camera.coding.range },
          Number(event.target.value) / (clip.frames - 1),
        )
      }
    />
  );
};
