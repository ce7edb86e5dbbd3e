// The gamut of a chart, the light on the card and what the assist follows, against what the stage really did.
import { describe, expect, it } from 'vitest';
import { GAMUTS, rgbToXyz } from '../../colour/gamut.ts';
import { deltaE2000, xyzToLab } from '../../colour/lab.ts';
import { boardPatches, type Corners } from '../../match/board.ts';
import { BOARDS } from '../../match/boards.ts';
import { apply } from '../../maths/matrix.ts';
import { readCard } from '../../scopes/cardReading.ts';
import { chartRead } from '../chart.ts';
import { evaluateTest, type TestTold } from '../evaluate.ts';
import { DESK_CHART_CORNERS, deskChartText } from '../film/desk.ts';
import { filmShot, type Filming } from '../film/film.ts';
import { CAMERA, figuresOf, filmedShotsOf, filmingOf, HAVE, USUAL } from '../fixtures/filmed.ts';

describe('a chart of known colours among the sheets', () => {
  const coding = { bitDepth: 10, range: 'legal' } as const;
  const filming = filmingOf('wideLog', coding);
  const gamut = filming.camera.profile.gamut;
  const read = (corners: Corners) => {
    const [shot] = USUAL.filter(({ kind }) => kind === 'sheets');
    const [frame] = filmShot(shot, 0, { ...filming, frames: 1 });
    const signals = boardPatches(corners, BOARDS.grid24.layout).map(
      ({ rect }) => readCard(frame, rect).channels,
    );
    return chartRead({ text: deskChartText(), light: 'd65' }, signals, shot.id);
  };
  const curveShots = () =>
    filmedShotsOf(
      filming,
      USUAL.filter(({ kind }) => ['bracket', 'back', 'cap'].includes(kind)),
    );

  it('gives the gamut that the body records in, whatever was on file, onto the profile', () => {
    const chart = read(DESK_CHART_CORNERS);
    if (!chart.ok) throw new Error(chart.reason);
    const told = evaluateTest({
      filmed: curveShots(),
      camera: CAMERA,
      have: HAVE,
      coding,
      gamut: 'bt709',
      chart: chart.value,
    });
    if (!told.ok) throw new Error(told.reason);
    const found = told.value.curve.profile.gamut;
    if (typeof found === 'string' || typeof gamut !== 'string' || gamut === 'unknown')
      throw new Error('a fit');
    const value = figuresOf(told.value).get('gamut.leftOut')!.value;
    expect(value).toBeLessThan(1.5);
    const [own, truth] = [rgbToXyz(found), rgbToXyz(GAMUTS[gamut])];
    const white = [0.9505, 1, 1.089] as const;
    for (const rgb of [
      [0.4, 0.1, 0.05],
      [0.1, 0.3, 0.08],
      [0.06, 0.1, 0.4],
      [0.3, 0.25, 0.06],
    ] as const)
      expect(deltaE2000(xyzToLab(apply(own, rgb), white), xyzToLab(apply(truth, rgb), white))).toBeLessThan(
        2.5,
      );
  }, 30_000);

  it('laid upside down it does not fit: that is said, and the gamut stays', () => {
    const [a, b, c, d] = DESK_CHART_CORNERS;
    const chart = read([c, d, a, b]);
    if (!chart.ok) throw new Error(chart.reason);
    const told = evaluateTest({
      filmed: curveShots(),
      camera: CAMERA,
      have: HAVE,
      coding,
      gamut: 'bt2020',
      chart: chart.value,
    });
    if (!told.ok) throw new Error(told.reason);
    expect(told.value.curve.profile.gamut).toBe('bt2020');
    const { warnings } = told.value.parts.find(({ id }) => id === 'gamut')!;
    expect(warnings[0]).toMatch(/does not fit|No gamut from the chart/);
  }, 30_000);

  it('with rows that are not as many as its patches it is refused in a sentence', () => {
    const known = { text: deskChartText(), light: 'd65' } as const;
    expect(chartRead(known, [[0.4, 0.4, 0.4]], 'x')).toMatchObject({ ok: false, where: 'chart' });
    expect(chartRead({ ...known, text: 'name,X\na,1' }, [], 'x')).toMatchObject({
      ok: false,
      where: 'heading',
    });
  });
});

describe('the light on the card, and the assist', () => {
  const coding = { bitDepth: 10, range: 'legal' } as const;
  const kinds = ['first', 'bracket', 'back', 'cap'];
  const shots = USUAL.filter(({ kind }) => kinds.includes(kind));
  const tell = (slips: Filming['slips'], zebra = {}) => {
    const filming = filmingOf('wideLog', coding, { slips });
    const told = evaluateTest({
      filmed: filmedShotsOf(filming, shots),
      camera: CAMERA,
      have: HAVE,
      coding,
      gamut: filming.camera.profile.gamut,
      zebra,
    });
    if (!told.ok) throw new Error(told.reason);
    return told.value;
  };
  const warningsOf = (told: TestTold, part: string) => told.parts.find(({ id }) => id === part)!.warnings;

  it('two lights of different colour are told, with what still counts; one light is not', () => {
    const [plain, mixed] = [tell([]), tell(['mixed'])];
    expect(figuresOf(plain).get('light.mixed')!.value).toBeLessThan(1.5);
    expect(warningsOf(plain, 'light')).toEqual([]);
    expect(warningsOf(mixed, 'light')[0]).toMatch(/Two lights .* right side is \d+ mired warmer/);
    expect(warningsOf(mixed, 'light')[0]).toMatch(/Curve, noise and ISO steps hold/);
  }, 60_000);

  it('the assist follows the placement, does not, or cannot be told by the zebra', () => {
    const noted = { assistOff: 41, assistOn: 55 };
    const follows = (assistPlaced: number) =>
      figuresOf(tell([], { ...noted, assistPlaced })).get('zebra.follows')?.value;
    expect(follows(45)).toBe(1);
    expect(follows(55)).toBe(0);
    const blind = tell([], { assistOff: 41, assistOn: 41, assistPlaced: 41 });
    expect(figuresOf(blind).has('zebra.follows')).toBe(false);
    expect(blind.missing.map(({ what }) => what).join()).toMatch(/does not see the assist/);
  }, 60_000);
});
