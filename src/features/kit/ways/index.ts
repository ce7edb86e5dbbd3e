import { bracket } from './bracket.tsx';
import { edit } from './edit.tsx';
import { formula } from './formula.tsx';
import { printed } from './printed.tsx';
import { table } from './table.tsx';
import type { Way } from './way.ts';

/** Ways into a profile. A further one is a file and a row. */
const WAYS = { anchors: printed, formula, table, bracket, edit } as const;
export type WayId = keyof typeof WAYS;
export const WAY_IDS = Object.keys(WAYS) as WayId[];

/** A way whose fields only it knows. */
export const wayOf = (id: WayId): Way<unknown> => WAYS[id] as unknown as Way<unknown>;
