import type { Material, Thing } from './material.ts';
import { fresnel, mixed } from './chance.ts';
import { Aimer } from './aim.ts';
import { lensOf } from './lens.ts';
import {
  blank,
  blankSample,
  resetSample,
  settle,
  write,
  type Sample,
  type Traced,
  type Window,
} from './samples.ts';
import { makeRay, NEAR, type Ray, type Vec } from './shapes.ts';

const DEPTH = 6;
const ABSORBS = 1e-3;
const GLEAMS = 3;
/** Depth of the sky, m. */
const FAR = 1e5;
/** Half the sun's width where it is seen or mirrored, radians: wider than it is, so that gleams are found. */
const DISC = 0.012;

/** Traces rows of the model. Same seed, same light. */
export class Tracer extends Aimer {
  private readonly ray: Ray = makeRay();
  private readonly local: Vec = [0, 0, 0];
  private readonly n: Vec = [0, 0, 0];
  private readonly p: Vec = [0, 0, 0];
  private readonly dir: Vec = [0, 0, 0];
  private readonly albedo: Vec = [0, 0, 0];
  private readonly from: Vec = [0, 0, 0];
  /** Number of the path in its pixel. */
  private turn = 0;

  /** A direction about `n`, cosine-weighted. */
  private scatter(n: Vec): void {
    const a = 2 * Math.PI * this.random();
    const z = 2 * this.random() - 1;
    const s = Math.sqrt(Math.max(0, 1 - z * z));
    const d = this.dir;
    d[0] = n[0] + 0.9999 * s * Math.cos(a);
    d[1] = n[1] + 0.9999 * s * Math.sin(a);
    d[2] = n[2] + 0.9999 * z;
    const k = 1 / Math.sqrt(d[0] * d[0] + d[1] * d[1] + d[2] * d[2]);
    d[0] *= k;
    d[1] *= k;
    d[2] *= k;
  }

  /** Mirror direction, spread by roughness. */
  private mirror(r: Ray, n: Vec, rough: number): void {
    const k = 2 * (r.dx * n[0] + r.dy * n[1] + r.dz * n[2]);
    this.scatter(n);
    const d = this.dir;
    const w = rough * rough;
    d[0] = (1 - w) * (r.dx - k * n[0]) + w * d[0];
    d[1] = (1 - w) * (r.dy - k * n[1]) + w * d[1];
    d[2] = (1 - w) * (r.dz - k * n[2]) + w * d[2];
    const l = 1 / Math.sqrt(d[0] * d[0] + d[1] * d[1] + d[2] * d[2]);
    d[0] *= l;
    d[1] *= l;
    d[2] *= l;
  }

  /** Light that comes from where nothing stands; the sun's disc only where it was not aimed at. */
  private beyond(w: Vec, direct: boolean, target: readonly Float64Array[]): void {
    const { sky, skyGroup, sun } = this.model;
    const { dx, dy, dz } = this.ray;
    if (sky) {
      const from = this.from;
      sky(dx, dy, dz, from);
      for (let c = 0; c < 3; c += 1) target[skyGroup][c] += w[c] * from[c];
    }
    if (!sun || !direct) return;
    const [x, y, z] = sun.direction;
    if (dx * x + dy * y + dz * z < Math.cos(DISC)) return;
    for (let c = 0; c < 3; c += 1) target[sun.group][c] += (w[c] * sun.light[c]) / (DISC * DISC);
  }

  /**
   * One path from the camera. Light on the first matt surface is kept without its reflectance in `light`;
   * lamps and sky met first go to `direct`, and all that comes by way of a mirror, goes to `glow`.
   */
  private path(sample: Sample): void {
    const { model, ray, n, p, albedo } = this;
    const w: Vec = sample.weight;
    w[0] = w[1] = w[2] = 1;
    let first = true;
    let direct = true;
    let target = sample.glow;
    sample.mirrored = false;
    sample.gleamed = false;
    for (let bounce = 0; bounce < DEPTH; bounce += 1) {
      const met = this.cast(ray, Infinity, false);
      if (bounce === 0) sample.depth += met ? this.hitAt : FAR;
      if (!met) {
        this.beyond(w, direct, bounce === 0 ? sample.direct : target);
        return;
      }
      const i = this.hitIndex;
      const solid = model.solids[i];
      const material = model.materials[i];
      p[0] = ray.ox + this.hitAt * ray.dx;
      p[1] = ray.oy + this.hitAt * ray.dy;
      p[2] = ray.oz + this.hitAt * ray.dz;
      if (material.emit) {
        const into = bounce === 0 ? sample.direct : target;
        if (direct) for (let c = 0; c < 3; c += 1) into[model.groupOf[i]][c] += w[c] * material.emit[c];
        return;
      }
      solid.toLocal(p[0], p[1], p[2], this.local);
      if (typeof material.albedo === 'function')
        material.albedo(this.local[0], this.local[1], this.local[2], albedo);
      else {
        albedo[0] = material.albedo[0];
        albedo[1] = material.albedo[1];
        albedo[2] = material.albedo[2];
      }
      solid.normal(this.local, n);
      let cos = -(ray.dx * n[0] + ray.dy * n[1] + ray.dz * n[2]);
      const leaving = cos < 0;
      if (leaving) {
        n[0] = -n[0];
        n[1] = -n[1];
        n[2] = -n[2];
        cos = -cos;
      }
      if (bounce === 0) for (let c = 0; c < 3; c += 1) sample.normalSum[c] += n[c];
      if (this.gleams(material, cos, leaving, first, w)) {
        direct = true;
        if (first) sample.mirrored = true;
        if (first && material.shine) sample.gleamed = true;
        const d = this.dir;
        ray.ox = p[0] + d[0] * NEAR * 3;
        ray.oy = p[1] + d[1] * NEAR * 3;
        ray.oz = p[2] + d[2] * NEAR * 3;
        ray.dx = d[0];
        ray.dy = d[1];
        ray.dz = d[2];
        continue;
      }
      if (first && !sample.mirrored) {
        for (let c = 0; c < 3; c += 1) sample.albedoSum[c] += albedo[c];
        sample.matt += 1;
        target = sample.light;
      } else for (let c = 0; c < 3; c += 1) w[c] *= albedo[c];
      this.aim(p, n, w, target, first);
      first = false;
      if (bounce > 1) {
        const keep = Math.min(0.95, Math.max(w[0], w[1], w[2]));
        if (keep < ABSORBS || this.random() > keep) return;
        for (let c = 0; c < 3; c += 1) w[c] /= keep;
      }
      this.scatter(n);
      direct = false;
      const d = this.dir;
      ray.ox = p[0] + n[0] * 5e-4;
      ray.oy = p[1] + n[1] * 5e-4;
      ray.oz = p[2] + n[2] * 5e-4;
      ray.dx = d[0];
      ray.dy = d[1];
      ray.dz = d[2];
    }
  }

  /** Whether the path goes on as in a mirror or through glass; `dir` and weight are set then. */
  private gleams(material: Material, cos: number, leaving: boolean, first: boolean, w: Vec): boolean {
    const { glass, metal, shine } = material;
    if (glass !== undefined) {
      this.through(this.n, cos, leaving, glass, this.albedo, w);
      return true;
    }
    if (metal !== undefined) {
      this.mirror(this.ray, this.n, metal);
      for (let c = 0; c < 3; c += 1) w[c] *= this.albedo[c];
      return true;
    }
    if (!shine) return false;
    const share = fresnel(shine.f0, cos);
    // A first gleam is looked for by every third path, more often than it weighs: it is what the eye sees.
    const odds = first ? 1 / GLEAMS : share;
    const chosen = first ? this.turn % GLEAMS === 0 : this.random() < odds;
    const k = chosen ? share / odds : (1 - share) / (1 - odds);
    for (let c = 0; c < 3; c += 1) w[c] *= k;
    if (chosen) this.mirror(this.ray, this.n, shine.rough);
    return chosen;
  }

  /** On through glass or off it, by Fresnel and Snell. */
  private through(n: Vec, cos: number, leaving: boolean, ior: number, tint: Vec, w: Vec): void {
    const { ray, dir } = this;
    const eta = leaving ? ior : 1 / ior;
    const k = 1 - eta * eta * (1 - cos * cos);
    const f0 = ((ior - 1) / (ior + 1)) ** 2;
    if (k < 0 || this.random() < fresnel(f0, leaving ? Math.sqrt(Math.max(0, k)) : cos)) {
      this.mirror(ray, n, 0);
      return;
    }
    const m = eta * cos - Math.sqrt(k);
    dir[0] = eta * ray.dx + m * n[0];
    dir[1] = eta * ray.dy + m * n[1];
    dir[2] = eta * ray.dz + m * n[2];
    if (!leaving) for (let c = 0; c < 3; c += 1) w[c] *= tint[c];
  }

  /** Traces a rectangle of the picture at `samples` a pixel. */
  trace(size: { width: number; height: number }, rect: Window, samples: number, seed: number): Traced {
    const { model } = this;
    const out = blank(rect, model);
    const lens = lensOf(model.camera, size);
    const sample = blankSample(model.groups);
    for (let y = 0; y < rect.height; y += 1) {
      for (let x = 0; x < rect.width; x += 1) {
        const at = y * rect.width + x;
        const [px, py] = [rect.x + x, rect.y + y];
        this.state = mixed(px, py, seed);
        resetSample(sample);
        for (let s = 0; s < samples; s += 1) {
          const [dx, dy] = [(s + this.random()) / samples, (((s * 0.618034) % 1) + this.random()) % 1];
          lens(px + dx, py + dy, this.ray);
          this.turn = s;
          this.path(sample);
          settle(sample);
        }
        write(out, at, sample, samples, rect.width * rect.height);
        lens(px + 0.5, py + 0.5, this.ray);
        out.mask[at] = this.thingAt(this.ray, out.things as Thing[]) + 1;
        out.solid[at] = this.hitIndex + 1;
      }
    }
    return out;
  }
}
