'use client';

import type { CameraTestRecord } from '#store/records/cameraTest.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { words } from '#ui/wording/kitTest.ts';

/** The shots of a kept test that hold a picture. */
export const KeptShots = ({ record }: { record: CameraTestRecord }) => {
  const shots = record.shots.filter(({ picture }) => picture !== undefined);
  if (shots.length === 0) return null;
  return (
    <Folded title={words.picturesOf(shots.length)}>
      <ul className="test-kept-shots">
        {shots.map(({ id, clip, from, picture }) => (
          <li key={`${clip} ${from} ${id}`}>
            {/* A small picture out of the record: nothing for an image server to make smaller. */}
            <img src={picture} alt={id} width={96} height={54} />
            <span className="quiet">{id}</span>
          </li>
        ))}
      </ul>
    </Folded>
  );
};
