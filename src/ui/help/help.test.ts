import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { KEYMAP } from '../shell/keymap.ts';
import { TERM_IDS, termOf, termsLike } from './glossary.ts';
import { KEY_WORDS } from './keyWords.ts';

describe('the glossary', () => {
  it.each(TERM_IDS)('%s is told in short, whole sentences', (id) => {
    const { name, says } = termOf(id);
    expect(name).toMatch(/^[A-Z%]/);
    expect(says.length).toBeLessThanOrEqual(3);
    for (const sentence of says) {
      expect(sentence).toMatch(/^[A-Z0-9−+].*\.$/);
      expect(sentence.split(' ').length).toBeLessThanOrEqual(30);
    }
  });

  it('has every word once, under whatever name', () => {
    const names = TERM_IDS.flatMap((id) => [termOf(id).name, ...(termOf(id).also ?? [])]);
    const small = names.map((name) => name.toLowerCase());
    expect(new Set(small).size).toBe(small.length);
  });

  // The words that a newcomer asked for.
  it.each([
    ['pull', 'pull'],
    ['placement', 'placement'],
    ['floor', 'floor'],
    ['lean', 'lean'],
    ['mired', 'mired'],
    ['legal', 'legal'],
    ['school', 'school'],
    ['room', 'room'],
    ['headroom', 'room'],
    ['hero', 'hero'],
    ['squares', 'squares'],
    ['IRE', 'signal'],
    ['ETTR', 'placement'],
    ['false colour', 'falsecolour'],
  ])('“%s” leads to %s first', (text, id) => {
    expect(termsLike(text)[0]).toBe(id);
  });

  it('finds a word by its meaning, all of them by nothing, and none by nonsense', () => {
    expect(termsLike('holder before the lens')).toEqual(['squares']);
    expect(termsLike('  ')).toHaveLength(TERM_IDS.length);
    expect(termsLike('xyzzy')).toEqual([]);
  });
});

it('the guide ships with the app, and names every step', () => {
  const guide = readFileSync('public/guide.md', 'utf8');
  for (const step of ['Kit', 'Plan', 'Judge', 'Log', 'LUTs', 'Hand-off'])
    expect(guide).toContain(`**${step}**`);
});

it('every key has its words', () => {
  expect(Object.keys(KEY_WORDS).toSorted()).toEqual(Object.keys(KEYMAP).toSorted());
});
