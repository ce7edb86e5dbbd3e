/** A ray; reused, so that tracing allocates nothing. */
export type Ray = { ox: number; oy: number; oz: number; dx: number; dy: number; dz: number };
export const makeRay = (): Ray => ({ ox: 0, oy: 0, oz: 0, dx: 0, dy: 0, dz: 1 });

export type Vec = [number, number, number];

/** Where a solid stands and how it is turned: yaw about y, then pitch about x, then roll about z; radians. */
export type Place = {
  readonly at: readonly [number, number, number];
  readonly yaw?: number;
  readonly pitch?: number;
  readonly roll?: number;
};

/** Nearer than this along a ray is the surface it starts on, m. */
export const NEAR = 1e-4;

/** A shape in its own frame. */
export type Local = {
  /** Half the box around it. */
  readonly half: readonly [number, number, number];
  /** Distance along the ray, Infinity when it is missed. */
  readonly hit: (r: Ray, far: number) => number;
  /** Outward normal at a point on it. */
  readonly normal: (x: number, y: number, z: number, out: Vec) => void;
};

const matrixOf = ({ yaw = 0, pitch = 0, roll = 0 }: Place): Float64Array => {
  const [cy, sy, cp, sp, cr, sr] = [
    Math.cos(yaw),
    Math.sin(yaw),
    Math.cos(pitch),
    Math.sin(pitch),
    Math.cos(roll),
    Math.sin(roll),
  ];
  // Yaw * pitch * roll, columns are the local axes in the world.
  return Float64Array.from([
    cy * cr + sy * sp * sr,
    -cy * sr + sy * sp * cr,
    sy * cp,
    cp * sr,
    cp * cr,
    -sp,
    -sy * cr + cy * sp * sr,
    sy * sr + cy * sp * cr,
    cy * cp,
  ]);
};

/** A shape put into the world. */
export class Solid {
  readonly m: Float64Array;
  readonly lo: Vec;
  readonly hi: Vec;
  readonly at: readonly [number, number, number];
  readonly shape: Local;
  private readonly ray = makeRay();

  constructor(shape: Local, place: Place) {
    this.shape = shape;
    this.at = place.at;
    this.m = matrixOf(place);
    const { m } = this;
    const [hx, hy, hz] = shape.half;
    const reach = [0, 1, 2].map(
      (i) => Math.abs(m[3 * i]) * hx + Math.abs(m[3 * i + 1]) * hy + Math.abs(m[3 * i + 2]) * hz + 1e-4,
    );
    this.lo = [0, 1, 2].map((i) => place.at[i] - reach[i]) as Vec;
    this.hi = [0, 1, 2].map((i) => place.at[i] + reach[i]) as Vec;
  }

  hit(r: Ray, far: number): number {
    const { m, at, ray } = this;
    const x = r.ox - at[0];
    const y = r.oy - at[1];
    const z = r.oz - at[2];
    ray.ox = m[0] * x + m[3] * y + m[6] * z;
    ray.oy = m[1] * x + m[4] * y + m[7] * z;
    ray.oz = m[2] * x + m[5] * y + m[8] * z;
    ray.dx = m[0] * r.dx + m[3] * r.dy + m[6] * r.dz;
    ray.dy = m[1] * r.dx + m[4] * r.dy + m[7] * r.dz;
    ray.dz = m[2] * r.dx + m[5] * r.dy + m[8] * r.dz;
    return this.shape.hit(ray, far);
  }

  /** World point to the shape's own frame. */
  toLocal(x: number, y: number, z: number, out: Vec): void {
    const { m, at } = this;
    const a = x - at[0];
    const b = y - at[1];
    const c = z - at[2];
    out[0] = m[0] * a + m[3] * b + m[6] * c;
    out[1] = m[1] * a + m[4] * b + m[7] * c;
    out[2] = m[2] * a + m[5] * b + m[8] * c;
  }

  /** World normal at a point given in the shape's own frame. */
  normal(local: Vec, out: Vec): void {
    const { m } = this;
    this.shape.normal(local[0], local[1], local[2], out);
    const x = out[0];
    const y = out[1];
    const z = out[2];
    out[0] = m[0] * x + m[1] * y + m[2] * z;
    out[1] = m[3] * x + m[4] * y + m[5] * z;
    out[2] = m[6] * x + m[7] * y + m[8] * z;
  }
}

/** Entry or, from inside, exit of a box, by slabs. */
export const box = (hx: number, hy: number, hz: number): Local => ({
  half: [hx, hy, hz],
  hit: ({ ox, oy, oz, dx, dy, dz }, far) => {
    const ix = 1 / dx;
    const iy = 1 / dy;
    const iz = 1 / dz;
    const ax = (-hx - ox) * ix;
    const bx = (hx - ox) * ix;
    const ay = (-hy - oy) * iy;
    const by = (hy - oy) * iy;
    const az = (-hz - oz) * iz;
    const bz = (hz - oz) * iz;
    const near = Math.max(Math.min(ax, bx), Math.min(ay, by), Math.min(az, bz));
    const out = Math.min(Math.max(ax, bx), Math.max(ay, by), Math.max(az, bz));
    if (out < near) return Infinity;
    const t = near > NEAR ? near : out;
    return t > NEAR && t < far ? t : Infinity;
  },
  normal: (x, y, z, out) => {
    const [a, b, c] = [Math.abs(x) / hx, Math.abs(y) / hy, Math.abs(z) / hz];
    out[0] = a >= b && a >= c ? Math.sign(x) : 0;
    out[1] = b > a && b >= c ? Math.sign(y) : 0;
    out[2] = c > a && c > b ? Math.sign(z) : 0;
  },
});

/** The nearer root of a t^2 + 2 b t + c that lies in front. */
const root = (a: number, b: number, c: number, far: number): number => {
  const d = b * b - a * c;
  if (d < 0) return Infinity;
  const s = Math.sqrt(d);
  const near = (-b - s) / a;
  const t = near > NEAR ? near : (-b + s) / a;
  return t > NEAR && t < far ? t : Infinity;
};

export const ellipsoid = (rx: number, ry: number, rz: number): Local => ({
  half: [rx, ry, rz],
  hit: ({ ox, oy, oz, dx, dy, dz }, far) => {
    const x = ox / rx;
    const y = oy / ry;
    const z = oz / rz;
    const u = dx / rx;
    const v = dy / ry;
    const w = dz / rz;
    return root(u * u + v * v + w * w, x * u + y * v + z * w, x * x + y * y + z * z - 1, far);
  },
  normal: (x, y, z, out) => {
    const [a, b, c] = [x / (rx * rx), y / (ry * ry), z / (rz * rz)];
    const n = 1 / Math.hypot(a, b, c);
    out[0] = a * n;
    out[1] = b * n;
    out[2] = c * n;
  },
});
export const sphere = (r: number): Local => ellipsoid(r, r, r);

/** A rectangle in its own x, y plane, facing +z. */
export const quad = (hx: number, hy: number): Local => ({
  half: [hx, hy, 0],
  hit: ({ ox, oy, oz, dx, dy, dz }, far) => {
    const t = -oz / dz;
    if (!(t > NEAR && t < far)) return Infinity;
    return Math.abs(ox + t * dx) <= hx && Math.abs(oy + t * dy) <= hy ? t : Infinity;
  },
  normal: (_x, _y, _z, out) => {
    out[0] = 0;
    out[1] = 0;
    out[2] = 1;
  },
});

/** An upright cylinder with ends, about its own y. */
export const cylinder = (radius: number, hy: number): Local => ({
  half: [radius, hy, radius],
  hit: ({ ox, oy, oz, dx, dy, dz }, far) => {
    let best = Infinity;
    const t = root(dx * dx + dz * dz, ox * dx + oz * dz, ox * ox + oz * oz - radius * radius, far);
    if (t < far && Math.abs(oy + t * dy) <= hy) best = t;
    else {
      // Seen from the end, the nearer wall may be missed and the farther one met.
      const a = dx * dx + dz * dz;
      const b = ox * dx + oz * dz;
      const d = b * b - a * (ox * ox + oz * oz - radius * radius);
      const other = d < 0 ? Infinity : (-b + Math.sqrt(d)) / a;
      if (other > NEAR && other < far && Math.abs(oy + other * dy) <= hy) best = other;
    }
    for (const end of [-hy, hy]) {
      const at = (end - oy) / dy;
      if (at > NEAR && at < best && at < far && (ox + at * dx) ** 2 + (oz + at * dz) ** 2 <= radius * radius)
        best = at;
    }
    return best;
  },
  normal: (x, y, z, out) => {
    const onEnd = Math.abs(Math.abs(y) - hy) < 1e-4 && Math.hypot(x, z) < radius - 1e-4;
    const n = 1 / (Math.hypot(x, z) || 1);
    out[0] = onEnd ? 0 : x * n;
    out[1] = onEnd ? Math.sign(y) : 0;
    out[2] = onEnd ? 0 : z * n;
  },
});

/** A step too long ended under the surface, where nothing is lit: back along the ray until it is out. */
const backedOut = (
  { ox, oy, oz, dx, dy, dz }: Ray,
  met: number,
  under: number,
  distance: (x: number, y: number, z: number) => number,
): number => {
  let [t, d] = [met, under];
  for (let i = 0; i < 4 && d < 0; i += 1) {
    t += d - 1e-5;
    d = distance(ox + t * dx, oy + t * dy, oz + t * dz);
  }
  return t;
};

/** A surface given by its distance, marched; inside a box that holds it. */
export const distanceField = (
  half: readonly [number, number, number],
  distance: (x: number, y: number, z: number) => number,
  /** Below 1 where the distance is only a bound. */
  stride = 1,
  steps = 90,
): Local => {
  const around = box(half[0], half[1], half[2]);
  return {
    half,
    hit: (r, far) => {
      const { ox, oy, oz, dx, dy, dz } = r;
      const inside = Math.abs(ox) < half[0] && Math.abs(oy) < half[1] && Math.abs(oz) < half[2];
      const edge = around.hit(r, Infinity);
      if (edge === Infinity) return Infinity;
      const end = inside ? Math.min(edge, far) : far;
      let t = inside ? NEAR * 4 : edge;
      // A ray that starts on the surface first leaves it.
      if (inside && distance(ox, oy, oz) < 4e-4) t = 2e-3;
      for (let i = 0; i < steps && t < end; i += 1) {
        const x = ox + t * dx;
        const y = oy + t * dy;
        const z = oz + t * dz;
        if (
          !inside &&
          (Math.abs(x) > half[0] + 1e-6 || Math.abs(y) > half[1] + 1e-6 || Math.abs(z) > half[2] + 1e-6)
        )
          return Infinity;
        const d = distance(x, y, z);
        if (d < 2e-4 * (1 + 0.2 * t)) return d < 0 ? backedOut(r, t, d, distance) : t;
        t += Math.max(1e-4, d * stride);
      }
      return Infinity;
    },
    normal: (x, y, z, out) => {
      const e = 4e-4;
      // Four samples on a tetrahedron.
      const a = distance(x + e, y - e, z - e);
      const b = distance(x - e, y - e, z + e);
      const c = distance(x - e, y + e, z - e);
      const d = distance(x + e, y + e, z + e);
      const [nx, ny, nz] = [a - b - c + d, -a - b + c + d, -a + b - c + d];
      const n = 1 / (Math.hypot(nx, ny, nz) || 1);
      out[0] = nx * n;
      out[1] = ny * n;
      out[2] = nz * n;
    },
  };
};
