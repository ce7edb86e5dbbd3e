import type { Camera } from './model.ts';
import type { Ray, Vec } from './shapes.ts';

/** Rays through the picture's points. */
export const lensOf = ({ at, to, fov }: Camera, { width, height }: { width: number; height: number }) => {
  const unit = (v: Vec): Vec => {
    const k = 1 / Math.hypot(...v);
    return [v[0] * k, v[1] * k, v[2] * k];
  };
  const f = unit([to[0] - at[0], to[1] - at[1], to[2] - at[2]]);
  const right = unit([-f[2], 0, f[0]]);
  const up: Vec = [
    right[1] * f[2] - right[2] * f[1],
    right[2] * f[0] - right[0] * f[2],
    right[0] * f[1] - right[1] * f[0],
  ];
  const tall = Math.tan((fov * Math.PI) / 360);
  const wide = (tall * width) / height;
  return (px: number, py: number, ray: Ray): void => {
    const [u, v] = [((2 * px) / width - 1) * wide, (1 - (2 * py) / height) * tall];
    const d: Vec = [0, 1, 2].map((i) => f[i] + u * right[i] + v * up[i]) as Vec;
    const k = 1 / Math.hypot(...d);
    [ray.ox, ray.oy, ray.oz] = at;
    ray.dx = d[0] * k;
    ray.dy = d[1] * k;
    ray.dz = d[2] * k;
  };
};
