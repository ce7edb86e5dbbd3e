import { existsSync } from 'node:fs';
import { expect, it } from 'vitest';
import { demoRecords } from './index.ts';
import { demoThumbnail } from './thumbnails.ts';

it('every take of the demo has its picture beside the app, and no other take has one', () => {
  const paths = demoRecords().takes.map(({ id }) => demoThumbnail(id));
  expect(paths).toHaveLength(8);
  for (const path of paths) expect(existsSync(`public${path}`), path).toBe(true);
  expect(demoThumbnail(crypto.randomUUID())).toBeUndefined();
  expect(demoThumbnail('demo-../../secret')).toBeUndefined();
});
