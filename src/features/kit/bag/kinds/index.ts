import type { BagKind } from './bagKind.ts';
import { gels } from './gels.ts';
import { lights } from './lights.ts';
import { monitors } from './monitors.ts';
import { ndSets } from './ndSets.ts';
import { subjects } from './subjects.ts';

/** What is in the bag, in the order it is packed. A further kind is a file, a row here and a table of the store. */
export const bagKinds = (signalStops: (percent: number) => number): readonly BagKind[] =>
  [subjects(signalStops), ndSets, lights, gels, monitors] as unknown as readonly BagKind[];
