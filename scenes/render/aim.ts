import { Caster } from './cast.ts';
import type { Lamp, Model } from './model.ts';
import { makeRay, type Ray, type Vec } from './shapes.ts';

/** Light that is aimed at: the sun and the lamps, each by a ray that looks whether something stands between. */
export class Aimer extends Caster {
  protected readonly model: Model;
  /** Of the chance numbers; same state, same light. */
  protected state = 1;
  private readonly shadow: Ray = makeRay();
  private readonly sunHere: Vec = [1, 1, 1];

  constructor(model: Model) {
    super(model);
    this.model = model;
  }

  protected random(): number {
    let s = this.state;
    s ^= s << 13;
    s ^= s >>> 17;
    s ^= s << 5;
    this.state = s;
    return (s >>> 0) / 4294967296;
  }

  /** Sun and lamps, aimed at; adds to out[group] what a white diffuser here would send on, times `w`. */
  protected aim(p: Vec, n: Vec, w: Vec, out: readonly Float64Array[], every: boolean): void {
    const { sun, lamps } = this.model;
    const s = this.shadow;
    s.ox = p[0] + n[0] * 5e-4;
    s.oy = p[1] + n[1] * 5e-4;
    s.oz = p[2] + n[2] * 5e-4;
    if (sun) {
      const { direction: d, spread } = sun;
      s.dx = d[0] + spread * (2 * this.random() - 1);
      s.dy = d[1] + spread * (2 * this.random() - 1);
      s.dz = d[2] + spread * (2 * this.random() - 1);
      const k = 1 / Math.sqrt(s.dx * s.dx + s.dy * s.dy + s.dz * s.dz);
      s.dx *= k;
      s.dy *= k;
      s.dz *= k;
      const cos = n[0] * s.dx + n[1] * s.dy + n[2] * s.dz;
      if (cos > 0 && !this.cast(s, Infinity, true)) {
        const here = this.sunHere;
        here[0] = here[1] = here[2] = 1;
        sun.at?.(p[0], p[1], p[2], here);
        for (let c = 0; c < 3; c += 1) out[sun.group][c] += w[c] * sun.light[c] * cos * here[c];
      }
    }
    if (lamps.length === 0) return;
    // Where the eye looks every lamp is aimed at, further on one of them.
    if (every) for (const lamp of lamps) this.aimAt(lamp, 1, p, n, w, out);
    else {
      const pick = Math.min(lamps.length - 1, Math.floor(this.random() * lamps.length));
      this.aimAt(lamps[pick], lamps.length, p, n, w, out);
    }
  }

  private aimAt(lamp: Lamp, scale: number, p: Vec, n: Vec, w: Vec, out: readonly Float64Array[]): void {
    const s = this.shadow;
    s.ox = p[0] + n[0] * 5e-4;
    s.oy = p[1] + n[1] * 5e-4;
    s.oz = p[2] + n[2] * 5e-4;
    const { solid, emit, group } = lamp;
    const [hx, hy, hz] = solid.shape.half;
    const flat = hz === 0;
    const { m, at } = solid;
    let x = 0;
    let y = 0;
    let z = 0;
    let area = 4 * hx * hy;
    if (flat) {
      x = hx * (2 * this.random() - 1);
      y = hy * (2 * this.random() - 1);
    } else {
      const a = 2 * Math.PI * this.random();
      z = 2 * this.random() - 1;
      const q = Math.sqrt(1 - z * z);
      x = hx * q * Math.cos(a);
      y = hy * q * Math.sin(a);
      z *= hz;
      // Of the ball, the half that faces here.
      const out0 = m[0] * x + m[1] * y + m[2] * z;
      const out1 = m[3] * x + m[4] * y + m[5] * z;
      const out2 = m[6] * x + m[7] * y + m[8] * z;
      if (out0 * (s.ox - at[0]) + out1 * (s.oy - at[1]) + out2 * (s.oz - at[2]) < 0) {
        x = -x;
        y = -y;
        z = -z;
      }
      area = 2 * Math.PI * hx * hy;
    }
    const tx = at[0] + m[0] * x + m[1] * y + m[2] * z - s.ox;
    const ty = at[1] + m[3] * x + m[4] * y + m[5] * z - s.oy;
    const tz = at[2] + m[6] * x + m[7] * y + m[8] * z - s.oz;
    const d2 = tx * tx + ty * ty + tz * tz;
    const far = Math.sqrt(d2);
    s.dx = tx / far;
    s.dy = ty / far;
    s.dz = tz / far;
    const cos = n[0] * s.dx + n[1] * s.dy + n[2] * s.dz;
    const k0 = flat ? 1 : 1 / hx;
    const lx = k0 * (flat ? m[2] : m[0] * x + m[1] * y + m[2] * z);
    const ly = k0 * (flat ? m[5] : m[3] * x + m[4] * y + m[5] * z);
    const lz = k0 * (flat ? m[8] : m[6] * x + m[7] * y + m[8] * z);
    const cosLamp = -(lx * s.dx + ly * s.dy + lz * s.dz);
    if (cos <= 0 || cosLamp <= 0 || this.cast(s, far - 1e-3, true)) return;
    // A diffuser sends on E / pi; E = L cos cos' A / d2.
    const k = (scale * cos * cosLamp * area) / (Math.PI * Math.max(d2, 1e-3));
    for (let c = 0; c < 3; c += 1) out[group][c] += k * w[c] * emit[c];
  }
}
