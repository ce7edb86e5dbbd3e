import type { Triple } from '#core/maths/matrix.ts';
import type { Material, Naming, Thing } from './material.ts';
import type { Solid, Vec } from './shapes.ts';

/** A lamp that is aimed at directly: a rectangle or a ball that gives light. */
export type Lamp = { readonly solid: Solid; readonly emit: Triple; readonly group: number };

export type Sun = {
  /** Towards the sun, unit. */
  readonly direction: Vec;
  /** cd/m2 on a white diffuser held square to it, linear BT.2020. */
  readonly light: Triple;
  /** Half of its width, radians; wider makes softer shadows. */
  readonly spread: number;
  readonly group: number;
  /** What of it arrives at a point: ripples under water, branches. */
  readonly at?: (x: number, y: number, z: number, out: Vec) => void;
};

/** What lies between camera and surface: what it lets pass and what it adds, by distance in m; on the sky too. */
export type Medium = (distance: number, keep: Vec, add: Vec) => void;

export type Camera = {
  readonly at: readonly [number, number, number];
  readonly to: readonly [number, number, number];
  /** Height of the picture, degrees. */
  readonly fov: number;
};

/** Everything a scene is made of. */
export class Model {
  readonly solids: Solid[] = [];
  readonly materials: Material[] = [];
  readonly namings: (Naming | undefined)[] = [];
  readonly groupOf: number[] = [];
  readonly lamps: Lamp[] = [];
  readonly things: Thing[] = [];
  sun?: Sun;
  medium?: Medium;
  /** Light of the sky in a direction, cd/m2; none without it. */
  sky?: (dx: number, dy: number, dz: number, out: Vec) => void;
  skyGroup = 0;
  /** Layers of light kept apart. */
  groups = 1;
  camera: Camera = { at: [0, 1, 4], to: [0, 1, 0], fov: 40 };

  /** @returns the solid, so that it can be hung things on. */
  add(solid: Solid, material: Material, naming?: Naming, group = 0): Solid {
    this.solids.push(solid);
    this.materials.push(material);
    this.namings.push(naming);
    this.groupOf.push(group);
    if (material.emit && material.albedo !== NOT_AIMED)
      this.lamps.push({ solid, emit: material.emit, group });
    return solid;
  }
}

/** The albedo of something that glows but lights nothing: small, faint, far. */
export const NOT_AIMED: Triple = [0, 0, 0];
