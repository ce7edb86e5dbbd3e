import { describe, expect, it } from 'vitest';
import { readTextFile } from './readTextFile.ts';

describe('a text file', () => {
  it('is read', async () => {
    expect(await readTextFile(new File(['0.18 41'], 'a.txt'))).toMatchObject({ ok: true, value: '0.18 41' });
  });

  it('of four gigabytes is refused before it is read', async () => {
    const huge = { name: 'huge.json', size: 4e9, text: () => Promise.reject(new Error('read')) };
    expect(await readTextFile(huge as unknown as File)).toMatchObject({
      ok: false,
      where: 'huge.json',
      reason: expect.stringContaining('4000 MB') as string,
    });
  });

  it('that has gone meanwhile is said to be', async () => {
    const gone = {
      name: 'a.txt',
      size: 3,
      text: () => Promise.reject(new DOMException('', 'NotFoundError')),
    };
    expect(await readTextFile(gone as unknown as File)).toMatchObject({
      ok: false,
      reason: 'The file cannot be read: choose it again.',
    });
  });
});
