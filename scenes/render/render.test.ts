import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BOARD_PATCHES } from '#core/scene/board.ts';
import { despeckle, develop, smoothLight } from './denoise.ts';
import { luminanceOf, neutral, scaled, whiteOf } from './light.ts';
import { addBoard, glowing } from '../models/kit.ts';
import { SCENE_MODELS } from '../models/index.ts';
import { Model } from './model.ts';
import { blankSample, settle } from './samples.ts';
import { capsule, cloud, egg, noise, scut, smin } from './sdf.ts';
import {
  box,
  cylinder,
  distanceField,
  ellipsoid,
  makeRay,
  quad,
  Solid,
  sphere,
  type Local,
  type Vec,
} from './shapes.ts';
import { Tracer } from './trace.ts';

const SIZE = { width: 24, height: 16 };
const WHOLE = { x: 0, y: 0, ...SIZE };
const traced = (model: Model, samples: number, seed = 3) =>
  new Tracer(model).trace(SIZE, WHOLE, samples, seed);
const mean = (values: ArrayLike<number>) => Array.from(values).reduce((sum, v) => sum + v, 0) / values.length;
const total = (model: Model, samples: number) => {
  const picture = traced(model, samples);
  return mean(
    picture.light[0].map((v, i) => v * picture.albedo[i] + picture.glow[0][i] + picture.direct[0][i]),
  );
};
/** A floor of this reflectance that fills the picture from above. */
const floorOf = (reflectance: number) => {
  const model = new Model();
  model.camera = { at: [0, 4, 0.001], to: [0, 0, 0], fov: 20 };
  model.add(new Solid(box(50, 0.5, 50), { at: [0, -0.5, 0] }), { albedo: neutral(reflectance) });
  return model;
};

describe('solids', () => {
  const towardsOrigin = (from: Vec) => {
    const length = Math.hypot(...from);
    return Object.assign(makeRay(), {
      ox: from[0],
      oy: from[1],
      oz: from[2],
      dx: -from[0] / length,
      dy: -from[1] / length,
      dz: -from[2] / length,
    });
  };
  it.each<[string, Local, Vec, number]>([
    ['a sphere', sphere(1), [0, 0, 3], 2],
    ['an ellipsoid', ellipsoid(2, 1, 0.5), [0, 0, 3], 2.5],
    ['a box', box(1, 2, 3), [5, 0, 0], 4],
    ['a cylinder from the side', cylinder(0.5, 2), [0, 0, 3], 2.5],
    ['a cylinder from above', cylinder(0.5, 2), [0, 5, 0], 3],
    ['a quad', quad(1, 1), [0, 0, 3], 3],
    ['a distance field', distanceField([1.1, 1.1, 1.1], (x, y, z) => Math.hypot(x, y, z) - 1), [0, 0, 3], 2],
  ])('%s is met where it is', (_, shape, from, distance) => {
    expect(shape.hit(towardsOrigin(from), Infinity)).toBeCloseTo(distance, 3);
    expect(shape.hit(towardsOrigin(from), distance / 2)).toBe(Infinity);
  });

  it('a turned solid in its place is met as the shape is in its own frame', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.double({ min: -3, max: 3, noNaN: true }), fc.double({ min: -3, max: 3, noNaN: true })),
        ([yaw, pitch]) => {
          const solid = new Solid(box(0.5, 0.7, 0.9), { at: [1, 2, 3], yaw, pitch });
          const local: Vec = [0, 0, 0];
          solid.toLocal(1, 2, 3, local);
          expect(Math.hypot(...local)).toBeLessThan(1e-9);
          const ray = Object.assign(makeRay(), { ox: 1, oy: 2, oz: 9, dx: 0, dy: 0, dz: -1 });
          const t = solid.hit(ray, Infinity);
          solid.toLocal(1, 2, 9 - t, local);
          const onFace = Math.max(
            Math.abs(local[0]) / 0.5,
            Math.abs(local[1]) / 0.7,
            Math.abs(local[2]) / 0.9,
          );
          expect(onFace).toBeCloseTo(1, 6);
          const normal: Vec = [0, 0, 0];
          solid.normal(local, normal);
          expect(Math.hypot(...normal)).toBeCloseTo(1, 9);
          expect(normal[2]).toBeGreaterThan(0);
        },
      ),
    );
  });

  it('a field that says it is further than it is, is met from outside all the same', () => {
    // Each step goes 1.12 times as far as it may, and ends under the surface.
    const eager = distanceField([1.5, 1.5, 1.5], (x, y, z) => 1.4 * (Math.hypot(x, y, z) - 1), 0.8);
    const ray = towardsOrigin([0.3, 0.2, 4]);
    const t = eager.hit(ray, Infinity);
    const at = [ray.ox + t * ray.dx, ray.oy + t * ray.dy, ray.oz + t * ray.dz];
    expect(Math.hypot(...at)).toBeGreaterThanOrEqual(1);
    expect(Math.hypot(...at)).toBeLessThan(1.03);
  });

  it('distances: blends lie between, noise is steady and stays in 0..1', () => {
    expect(egg(2, 0, 0, 1, 1, 1)).toBeCloseTo(1, 9);
    expect(capsule(0, 3, 0, 0, 0, 0, 0, 1, 0, 0.5)).toBeCloseTo(1.5, 9);
    expect(smin(1, 1, 0.4)).toBeCloseTo(0.9, 9);
    expect(smin(1, 5, 0.4)).toBe(1);
    expect(scut(-1, 5, 0.4)).toBeCloseTo(-1, 9);
    for (let i = 0; i < 200; i += 1) {
      for (const v of [noise(i * 0.37, i * 0.11, i), cloud(i * 0.37, i * 0.11)]) {
        expect(v).toBeGreaterThanOrEqual(0);
        expect(v).toBeLessThanOrEqual(1);
      }
    }
    expect(noise(1.3, 2.7)).toBe(noise(1.3, 2.7));
  });
});

// Against what radiometry says of simple cases.
describe('light', () => {
  it('under an even sky a matt floor is as bright as its reflectance times the sky (white furnace)', () => {
    for (const reflectance of [0.18, 0.9]) {
      const model = floorOf(reflectance);
      model.sky = (_x, dy, _z, out) => out.fill(dy >= 0 ? 100 : 0);
      expect(total(model, 16) / (100 * reflectance)).toBeCloseTo(1, 1);
    }
  });

  it('the sun square on a white diffuser makes its own luminance, aslant the cosine of it', () => {
    const model = floorOf(0.5);
    model.sun = { direction: [0, 1, 0], light: neutral(8000), spread: 0, group: 0 };
    expect(total(model, 4)).toBeCloseTo(4000, 0);
    model.sun = { ...model.sun, direction: [Math.sin(1), Math.cos(1), 0] };
    expect(total(model, 4) / (4000 * Math.cos(1))).toBeCloseTo(1, 3);
  });

  it('a lamp lights by the inverse square: E = L A / d^2 from far, and twice as far is a quarter', () => {
    const lit = (height: number) => {
      const model = floorOf(0.6);
      model.camera = { at: [0, 1, 0.001], to: [0, 0, 0], fov: 4 };
      model.add(new Solid(quad(0.1, 0.1), { at: [0, height, 0], pitch: Math.PI / 2 }), glowing(6500, 5000));
      return luminanceOf([0, 1, 2].map((c) => mean(channel(model, c))) as Vec);
    };
    const channel = (model: Model, c: number) => {
      const picture = traced(model, 16);
      const pixels = SIZE.width * SIZE.height;
      return Array.from(
        { length: pixels },
        (_, i) => picture.light[0][i + c * pixels] * picture.albedo[i + c * pixels],
      );
    };
    const exact = (5000 * 0.04 * 0.6) / (Math.PI * 9);
    expect(lit(3) / exact).toBeCloseTo(1, 1);
    expect(lit(3) / lit(6)).toBeCloseTo(4, 0);
  });

  it('a ball of light does too: its far field is that of a disc of its size', () => {
    const model = floorOf(0.6);
    model.camera = { at: [0, 1, 0.001], to: [0, 0, 0], fov: 4 };
    model.add(new Solid(sphere(0.1), { at: [0, 3, 0] }), { albedo: neutral(0), emit: neutral(5000) });
    const exact = (5000 * Math.PI * 0.01 * 0.6) / (Math.PI * 9);
    expect(total(model, 64) / exact).toBeCloseTo(1, 1);
  });

  it('what stands between casts a shadow; glass lets through', () => {
    const model = floorOf(0.5);
    model.sun = { direction: [0, 1, 0], light: neutral(1000), spread: 0, group: 0 };
    model.camera = { at: [0, 2, 0.001], to: [0, 0, 0], fov: 10 };
    const slab = new Solid(box(3, 0.1, 3), { at: [0, 5, 0] });
    const shaded = Object.assign(new Model(), model, {
      solids: [...model.solids],
      materials: [...model.materials],
      namings: [...model.namings],
      groupOf: [...model.groupOf],
    });
    shaded.add(slab, { albedo: neutral(0.5) });
    // What is left comes back from the floor outside the shadow.
    expect(total(shaded, 4)).toBeLessThan(60);
    model.add(slab, { albedo: neutral(1), glass: 1.5 });
    expect(total(model, 4) / 500).toBeCloseTo(1, 1);
  });

  it('groups keep sun and sky apart', () => {
    const model = floorOf(0.5);
    model.groups = 2;
    model.skyGroup = 1;
    model.sun = { direction: [0, 1, 0], light: neutral(1000), spread: 0, group: 0 };
    model.sky = (_x, dy, _z, out) => out.fill(dy >= 0 ? 200 : 0);
    const picture = traced(model, 16);
    expect(mean(picture.light[0])).toBeCloseTo(1000, 0);
    expect(mean(picture.light[1]) / 200).toBeCloseTo(1, 1);
  });

  it('a pixel whose first paths find no light is not dark for ever', () => {
    const sample = blankSample(1);
    for (let i = 0; i < 8; i += 1) {
      sample.light[0].fill(i < 6 ? 0 : 40);
      settle(sample);
    }
    expect(sample.lightSum[0][0]).toBe(80);
  });

  it('a lucky path counts for no more than twelve times what the others brought', () => {
    const sample = blankSample(1);
    for (let i = 0; i < 8; i += 1) {
      sample.light[0].fill(i < 7 ? 1 : 1000);
      settle(sample);
    }
    expect(sample.lightSum[0][0]).toBeCloseTo(7 + 12, 9);
  });

  it('the same seed gives the same light, another does not', () => {
    const model = SCENE_MODELS['furnace-mouth'].model();
    const [one, again, other] = [3, 3, 4].map((seed) => traced(model, 1, seed).light[0]);
    expect(again).toEqual(one);
    expect(other).not.toEqual(one);
  });

  it('white of a temperature has luminance 1, warm is red', () => {
    for (const kelvin of [1600, 3200, 5600, 10_000]) expect(luminanceOf(whiteOf(kelvin))).toBeCloseTo(1, 9);
    expect(whiteOf(2400)[0]).toBeGreaterThan(whiteOf(2400)[2]);
    expect(luminanceOf(scaled([1, 2, 3], 40))).toBeCloseTo(40, 9);
  });
});

describe('the test board', () => {
  it('its patches are told apart in the mask, and are as bright as they reflect', () => {
    const model = new Model();
    model.camera = { at: [0, 1, 1], to: [0, 1, 0], fov: 24 };
    model.sky = (_x, _y, _z, out) => out.fill(100);
    addBoard(model, 0.3, { at: [0, 1, 0] }, false);
    const size = { width: 96, height: 64 };
    const picture = new Tracer(model).trace(size, { x: 0, y: 0, ...size }, 4, 1);
    const pixels = size.width * size.height;
    const [light] = develop(picture, { passes: 2, tolerance: 1 });
    for (const [n, thing] of picture.things.entries()) {
      const patch = BOARD_PATCHES.find(({ name }) => name === thing.name);
      const inside = Array.from({ length: pixels }, (_, i) => i).filter((i) => picture.mask[i] === n + 1);
      if (!patch || inside.length < 30) continue;
      const green = mean(inside.map((i) => light[i + pixels]));
      expect(Math.abs(green - 100 * patch.reflectance[1])).toBeLessThan(
        0.12 * 100 * patch.reflectance[1] + 1.5,
      );
    }
  });
});

describe('the filter', () => {
  const side = 16;
  const guide = {
    width: side,
    height: side,
    solid: new Uint16Array(side * side),
    normal: new Float32Array(3 * side * side).fill(1, 2 * side * side),
    depth: new Float32Array(side * side).fill(2),
    albedo: new Float32Array(3 * side * side).fill(0.5),
  };
  const noisy = () =>
    Float32Array.from({ length: 3 * side * side }, (_, i) => 10 + 4 * Math.sin(i * 12.9898));
  it('calms noise and keeps the mean', () => {
    const out = smoothLight(noisy(), guide, { passes: 3, tolerance: 2 });
    const spread = (plane: Float32Array) => Math.max(...plane) - Math.min(...plane);
    expect(spread(out)).toBeLessThan(0.4 * spread(noisy()));
    expect(mean(out)).toBeCloseTo(10, 0);
  });

  it('does not carry light over the edge of a solid', () => {
    const solid = guide.solid.map((_, i) => (i % side < side / 2 ? 0 : 1));
    const light = Float32Array.from({ length: 3 * side * side }, (_, i) => (i % side < side / 2 ? 1 : 100));
    const out = smoothLight(light, { ...guide, solid }, { passes: 4, tolerance: 9 });
    expect(out[7]).toBeCloseTo(1, 5);
    expect(out[8]).toBeCloseTo(100, 3);
  });

  it('takes a single lucky path off', () => {
    const light = new Float32Array(3 * side * side).fill(5);
    light[5 * side + 5] = 900;
    expect(Math.max(...despeckle(light, guide))).toBe(5);
  });
});
