import { said } from '../../said.ts';
import { exactFNumber, printFNumber } from '../../exposure/aperture.ts';
import { luminanceFor } from '../../exposure/meter.ts';
import { ndNeeded } from '../../exposure/solver.ts';
import { shutterSeconds } from '../../exposure/shutter.ts';
import { printStops } from '../../units.ts';
import { pick, thirds, whole } from '../random.ts';
import { standsWith } from '../stageTask.ts';
import type { Drill, Level, Making, NumberAsk } from '../types.ts';

const TOLERANCE: Readonly<Record<Level, number>> = { 1: 1 / 2, 2: 1 / 3, 3: 1 / 3 };

const ndAsk = (truth: number, level: Level): NumberAsk => ({
  id: 'nd',
  kind: 'number',
  label: 'ND, stops',
  unit: 'stops',
  by: 'typing',
  truth: [truth, truth],
  tolerance: TOLERANCE[level],
  within: [0, 20],
  step: 1 / 3,
});

/** A light that a camera at this f-number needs so many stops of ND for. */
const lightFor = ({ camera, world }: Making, iris: number, placement: number, ndStops: number): number =>
  luminanceFor(
    {
      fNumber: exactFNumber(iris),
      seconds: shutterSeconds(camera.shutter, world.fps),
      iso: camera.baseIsos[0],
      ndStops,
    },
    placement,
  );

const printLight = (luminance: number): string =>
  luminance < 100 ? luminance.toFixed(1) : String(Math.round(luminance));

/** The ND that leaves iris, shutter and ISO where they belong; from the second level on depth of field asks first. */
export const ndAndIris: Drill = {
  id: 'nd-iris',
  name: 'Solve ND and iris',
  says: 'From a depth of field to the iris, from the iris to the ND.',
  skill: 'light',
  make: (making) => {
    const { random, camera, world, level } = making;
    const irises = camera.irises.length > 1 ? camera.irises.filter((f) => f >= 2 && f <= 8) : camera.irises;
    const iris = pick(random, irises.length > 0 ? irises : camera.irises);
    const placement = level === 1 ? 0 : thirds(random, 0, 4 / 3);
    const nd = level === 1 ? whole(random, 2, 7) : thirds(random, 2, 7);
    const grey = lightFor(making, iris, placement, nd);
    const truth = ndNeeded(
      grey,
      placement,
      { iris, shutter: camera.shutter, iso: camera.baseIsos[0] },
      world.fps,
    );
    const asksDepth = level > 1 && camera.irises.length > 1;
    // Well inside the hyperfocal distance the depth goes with the f-number: at f/8 it is 80 cm here.
    const depth = 10 * exactFNumber(iris);
    const irisAsk: NumberAsk = {
      id: 'iris',
      kind: 'number',
      label: 'Iris, f-number',
      unit: 'f-number',
      by: 'typing',
      truth: [iris, iris],
      tolerance: 1 / 3,
      within: [0.7, 64],
      step: 0.1,
    };
    return {
      placement,
      text: said(
        `${standsWith(making)}. The card is to lie at ${printStops(placement)} with shutter and`,
        'base ISO as they are.',
        `${asksDepth ? 'Which iris gives that depth, and what ND does it take?' : 'How many stops of ND?'}`,
      ),
      facts: [
        { name: 'Grey card reads', value: `${printLight(grey)} cd/m²` },
        ...(asksDepth
          ? [
              { name: 'Sharp from front to back at f/8', value: '80 cm' },
              { name: 'Wanted', value: `${Math.round(depth)} cm` },
              {
                name: 'At f/8, base ISO, no ND, grey is',
                value: `${printLight(lightFor(making, 8, 0, 0))} cd/m²`,
              },
            ]
          : [
              {
                name: `At ${printFNumber(iris)}, base ISO, no ND, the card is grey with`,
                value: `${printLight(lightFor(making, iris, 0, 0))} cd/m²`,
              },
            ]),
      ],
      asks: [...(asksDepth ? [irisAsk] : []), ndAsk(truth, level)],
    };
  },
  explain: ({ asks, placement }) => {
    const nd = asks.find(({ id }) => id === 'nd');
    const stops = nd?.kind === 'number' ? nd.truth[0] : 0;
    return {
      because: said(
        'Each doubling of the light over what the camera calls grey is one stop.',
        `The placement of ${printStops(placement)} is light that may stay: what is left,`,
        `${printStops(stops).replace('+', '')}, is the ND’s.`,
      ),
      careful:
        'Decides iris for the picture and shutter for motion, keeps a base ISO, and lets the ND do the rest.',
      schools: 'Some keep one ND and ride the iris. The picture then changes its depth from shot to shot.',
    };
  },
};
