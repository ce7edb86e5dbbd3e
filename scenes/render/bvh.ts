import type { Solid } from './shapes.ts';

/**
 * Boxes around boxes, flat: six numbers a node (low, high); `next` is where to go on when a node is missed, `leaf` the
 * solid of a leaf or -1. Nodes stand in the order they are walked.
 */
export type Tree = { readonly boxes: Float64Array; readonly next: Int32Array; readonly leaf: Int32Array };

const middle = (solid: Solid, axis: number) => solid.lo[axis] + solid.hi[axis];

/** A tree over solids, halved at the median of the longest axis. */
export const treeOf = (solids: readonly Solid[]): Tree => {
  const count = Math.max(1, 2 * solids.length - 1);
  const boxes = new Float64Array(6 * count);
  const next = new Int32Array(count);
  const leaf = new Int32Array(count).fill(-1);
  let used = 0;
  const build = (indices: number[]): void => {
    const node = used;
    used += 1;
    for (let axis = 0; axis < 3; axis += 1) {
      boxes[6 * node + axis] = Math.min(...indices.map((i) => solids[i].lo[axis]));
      boxes[6 * node + 3 + axis] = Math.max(...indices.map((i) => solids[i].hi[axis]));
    }
    if (indices.length === 1) leaf[node] = indices[0];
    else {
      const spans = [0, 1, 2].map((axis) => {
        const at = indices.map((i) => middle(solids[i], axis));
        return Math.max(...at) - Math.min(...at);
      });
      const axis = spans.indexOf(Math.max(...spans));
      const sorted = indices.toSorted((a, b) => middle(solids[a], axis) - middle(solids[b], axis));
      build(sorted.slice(0, sorted.length >> 1));
      build(sorted.slice(sorted.length >> 1));
    }
    next[node] = used;
  };
  if (solids.length > 0) build(solids.map((_, i) => i));
  return { boxes, next: next.subarray(0, used), leaf: leaf.subarray(0, used) };
};
