import { treeOf, type Tree } from './bvh.ts';
import type { Model } from './model.ts';
import type { Ray, Solid, Vec } from './shapes.ts';
import type { Thing } from './material.ts';

/** Finds what a ray meets. The last find is kept in `hitAt` and `hitIndex`. */
export class Caster {
  protected hitAt = Infinity;
  protected hitIndex = -1;
  private readonly tree: Tree;
  private readonly solids: readonly Solid[];
  /** 1 where light to a lamp passes: lamps themselves, glass. */
  private readonly clear: Uint8Array;

  private readonly namings: Model['namings'];

  constructor({ solids, materials, namings }: Pick<Model, 'solids' | 'materials' | 'namings'>) {
    this.solids = solids;
    this.namings = namings;
    this.tree = treeOf(solids);
    this.clear = Uint8Array.from(materials, ({ emit, glass }) =>
      emit !== undefined || glass !== undefined ? 1 : 0,
    );
  }

  /** The nearest solid; with `any` whichever is met first, lamps and glass let through. */
  protected cast(r: Ray, far: number, any: boolean): boolean {
    const { boxes, next, leaf } = this.tree;
    const { solids, clear } = this;
    const ix = 1 / r.dx;
    const iy = 1 / r.dy;
    const iz = 1 / r.dz;
    const { ox, oy, oz } = r;
    const nodes = next.length;
    let best = far;
    let index = -1;
    let node = 0;
    while (node < nodes) {
      const b = 6 * node;
      let low = (boxes[b] - ox) * ix;
      let high = (boxes[b + 3] - ox) * ix;
      let enter = low < high ? low : high;
      let leave = low < high ? high : low;
      low = (boxes[b + 1] - oy) * iy;
      high = (boxes[b + 4] - oy) * iy;
      if (low > high) {
        if (high > enter) enter = high;
        if (low < leave) leave = low;
      } else {
        if (low > enter) enter = low;
        if (high < leave) leave = high;
      }
      low = (boxes[b + 2] - oz) * iz;
      high = (boxes[b + 5] - oz) * iz;
      if (low > high) {
        if (high > enter) enter = high;
        if (low < leave) leave = low;
      } else {
        if (low > enter) enter = low;
        if (high < leave) leave = high;
      }
      if (enter > leave || leave < 0 || enter > best) {
        node = next[node];
        continue;
      }
      const i = leaf[node];
      if (i >= 0 && !(any && clear[i] === 1)) {
        const t = solids[i].hit(r, best);
        if (t < best) {
          best = t;
          index = i;
          if (any) break;
        }
      }
      node += 1;
    }
    this.hitAt = best;
    this.hitIndex = index;
    return index >= 0;
  }

  /** Number of the thing a ray meets, from 0; -1 where it meets none with a name. New ones are put at the end. */
  protected thingAt(ray: Ray, things: Thing[]): number {
    if (!this.cast(ray, Infinity, false)) return -1;
    const local: Vec = [0, 0, 0];
    const naming = this.namings[this.hitIndex];
    if (!naming) return -1;
    this.solids[this.hitIndex].toLocal(
      ray.ox + this.hitAt * ray.dx,
      ray.oy + this.hitAt * ray.dy,
      ray.oz + this.hitAt * ray.dz,
      local,
    );
    const thing = typeof naming === 'function' ? naming(...local) : naming;
    if (!thing) return -1;
    const known = things.findIndex(({ name, kind }) => name === thing.name && kind === thing.kind);
    return known >= 0 ? known : things.push(thing) - 1;
  }
}
