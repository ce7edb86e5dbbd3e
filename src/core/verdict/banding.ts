import { DITHER, SEEN_STEP } from '../advice/rules.ts';
import { compileMonitoring } from '../lut/monitoring.ts';
import { codeToSignal, signalToCode } from '../signal/scale.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { printStopsDecimal } from '../units.ts';
import { cardReading } from './card.ts';
import type { VerdictInput, VerdictRule } from './types.ts';
import { noiseCovers } from './verdictWords.ts';

/** Tones that banding is looked for in, stops from grey after the pull: skies and walls. Our own. */
const TONES = Array.from({ length: 19 }, (_, i) => -3 + i / 3);

/** The coarsest step of a code on a display after the grade: as stops of luminance, and the tone it is at. */
const coarsestStep = (
  { numbers, measurement }: Pick<VerdictInput, 'numbers' | 'measurement'>,
  pull: number,
) => {
  const { profile, clipStops } = numbers;
  const { coding } = measurement;
  const { neutral } = compileMonitoring({ profile, pullStops: pull });
  const displayLight = (code: number) => TRANSFERS.bt1886.decode(neutral(codeToSignal(code, coding)));
  return TONES.map((tone) => tone + pull)
    .filter((stops) => stops < clipStops - 0.3)
    .map((stops) => {
      const code = signalToCode(profile.signalAt(stops), coding);
      const [low, high] = [displayLight(code - 0.5), displayLight(code + 0.5)];
      return { stops, step: low > 0 ? Math.log2(high / low) : 0 };
    })
    .reduce((most, one) => (one.step > most.step ? one : most), { stops: 0, step: 0 });
};

/** The quietest marked patch tells what noise dithers the steps. */
const noiseOf = ({ measurement }: VerdictInput): number | undefined =>
  measurement.patches.length > 0 ? Math.min(...measurement.patches.map(({ sd }) => sd)) : undefined;

export const bandingForecast = {
  id: 'banding',
  name: 'Banding forecast',
  threshold: 'A code step under 1.5 % of luminance after the grade, or noise of 0.4 code over it.',
  judge: (input) => {
    const pull = cardReading(input)?.stops ?? input.placement;
    const { stops, step } = coarsestStep(input, pull);
    const noise = noiseOf(input);
    const seen = step > SEEN_STEP;
    const hidden = noise !== undefined && noise >= DITHER;
    const percent = (100 * (2 ** step - 1)).toFixed(1);
    const arithmetic = [
      { label: 'coarsest step', value: `${percent} % of luminance at ${printStopsDecimal(stops)}` },
      { label: 'just seen from', value: `${(100 * (2 ** SEEN_STEP - 1)).toFixed(1)} %` },
      {
        label: 'noise of the quietest patch',
        value: noise === undefined ? 'no patch marked' : `${noise.toFixed(2)} code`,
      },
      { label: 'hides steps from', value: `${DITHER} code` },
    ];
    if (!seen) return undefined;
    const unhidden =
      noise === undefined
        ? ': mark a smooth patch to see whether noise hides it'
        : ' and too clean to hide it: skies may band';
    return {
      state: hidden ? 'holds' : 'watch',
      title: hidden ? 'Noise hides the steps' : 'May band',
      figure: `${percent} %`,
      advice: hidden
        ? noiseCovers(percent, noise)
        : `A code is ${percent} % of luminance after the grade${unhidden}.`,
      arithmetic,
    };
  },
} as const satisfies VerdictRule;
