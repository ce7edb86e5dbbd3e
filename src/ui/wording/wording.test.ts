import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const filesUnder = (dir: string, ending: RegExp): string[] =>
  readdirSync(dir, { recursive: true, encoding: 'utf8' })
    .filter((name) => ending.test(name) && !/\.test\./.test(name))
    .map((name) => join(dir, name));

const TABLES = filesUnder('src/ui/wording', /\.ts$/).filter((path) => !path.endsWith('said.ts'));
const SCREENS = [...filesUnder('src/ui', /\.tsx$/), ...filesUnder('src/features', /\.tsx$/)];

/** Labels that stand in the markup itself; units such as `K` may. */
const TYPED = [
  /\b(?:label|title|aria-label|placeholder|heading|legend|note|says)="[^"]*[A-Za-z]{3}[^"]*"/g,
  /<(?:Button|Form\.Label|Modal\.Title|th|dt|h[1-4]|option)\b(?:=>|[^>])*?(?<!=)>\s*[A-Za-z][a-z]{2}[^<{]*<\//g,
];

describe('the table of wording', () => {
  it('holds every label and heading of the screens: none is typed into the markup', () => {
    const typed = SCREENS.flatMap((path) => {
      const text = readFileSync(path, 'utf8');
      return TYPED.flatMap((rule) => [...text.matchAll(rule)].map(([found]) => `${path}: ${found}`));
    });
    expect(typed).toEqual([]);
  });

  it.each(TABLES)(
    '%s: no label is empty, none begins or ends with a space, none stands there twice',
    async (path) => {
      const { words } = (await import(`../../../${path}`)) as { words: Record<string, unknown> };
      const texts = Object.values(words).map((entry) =>
        typeof entry === 'function'
          ? String((entry as (...args: string[]) => string)('A', 'B', 'C'))
          : String(entry),
      );
      for (const text of texts) expect(text).toMatch(/^(?:\S|, )[^]*\S$|^\S$/);
      expect(texts.filter((text, i) => texts.indexOf(text) !== i)).toEqual([]);
    },
  );

  it.each(TABLES)('%s: what is put into a label shows in it', async (path) => {
    const { words } = (await import(`../../../${path}`)) as { words: Record<string, unknown> };
    for (const entry of Object.values(words)) {
      if (typeof entry !== 'function') continue;
      const make = entry as (...args: string[]) => string;
      const given = ['first', 'second', 'third'].slice(0, make.length);
      for (const one of given) expect(make(...given)).toContain(one);
    }
  });
});
