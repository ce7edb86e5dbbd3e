import { expect, it } from 'vitest';
import { ARCHETYPES } from '#core/profile/index.ts';
import { profileSchema } from './records/profile.ts';

const record = (fields: object) => ({
  id: 'wide',
  name: 'wide',
  says: '',
  origin: 'archetype',
  data: { ...ARCHETYPES.wideLog, ...fields },
});

it('a profile is compiled only where its numbers are within their limits: found by fuzzing, a minute for one', () => {
  const read = profileSchema.safeParse(record({ clipStops: 28_233_662 }));
  expect(read.error?.issues.map(({ path }) => path.join('.'))).toEqual(['data.clipStops']);
});

it('one whose curve falls is still refused by compiling it', () => {
  const rows = [
    { reflectance: 0.1, signal: 0.5 },
    { reflectance: 0.2, signal: 0.4 },
  ];
  const read = profileSchema.safeParse(record({ curve: { kind: 'table', rows } }));
  expect(read.error?.issues[0].path).toEqual(['data', 'curve']);
});
