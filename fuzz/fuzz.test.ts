import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { CONTAINERS, containerRound, containerSeed, framesIn, type ContainerKind } from './containers.ts';
import { PARSERS } from './parsers.ts';
import { faultOf, fuzzRound, reduced } from './round.ts';

const hasFfmpeg = spawnSync('ffmpeg', ['-version']).status === 0;

describe('a short round of spoilt files', () => {
  it.each(PARSERS.map((parser) => [parser.name, parser] as const))('%s takes what is right', (_, parser) => {
    for (const seed of parser.seeds) expect(faultOf(parser, seed)).toEqual({ accepted: true });
  });

  it.each(PARSERS.map((parser) => [parser.name, parser] as const))(
    '%s throws nothing and accepts no NaN',
    (_, parser) => {
      const { findings, accepted } = fuzzRound(parser, 300);
      expect(findings.map(({ seed, fault }) => `seed ${seed}: ${fault}`)).toEqual([]);
      expect(accepted).toBeLessThan(300);
    },
  );
});

const kinds = Object.keys(CONTAINERS) as ContainerKind[];
describe.skipIf(!hasFfmpeg)('a short round of spoilt containers', () => {
  it.each(kinds)(
    '%s is refused or read to its end',
    async (kind) => {
      expect(await framesIn(containerSeed(kind))).toBe(15);
      const { ended, accepted, longest } = await containerRound(kind, 30);
      expect(accepted + ended.length).toBeLessThan(30);
      expect(longest).toBeGreaterThan(0);
      // Each file that is ended costs the start of another process.
    },
    180_000,
  );
});

describe('the harness itself', () => {
  const careless = {
    name: 'careless',
    seeds: [new TextEncoder().encode('size 12 and some more')],
    read: (bytes: Uint8Array) => {
      const text = new TextDecoder().decode(bytes);
      if (text.includes('NaN')) throw new TypeError('not caught');
      return [Number(/size (\S+)/.exec(text)?.[1] ?? 0)];
    },
  };

  it('finds an exception and a number that is none, the same ones again, and makes them small', () => {
    const { findings } = fuzzRound(careless, 2000);
    expect(findings.some(({ fault }) => fault.startsWith('throws'))).toBe(true);
    expect(findings.some(({ fault }) => fault.startsWith('accepts'))).toBe(true);
    expect(fuzzRound(careless, 2000).findings).toEqual(findings);
    const thrown = findings.find(({ fault }) => fault.startsWith('throws'))!;
    expect(new TextDecoder().decode(reduced(careless, thrown))).toBe('NaN');
  });
});
