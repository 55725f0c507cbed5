import { absent, measured, type Measured } from './measured';
import { median, movingMedian, quantile, robustDeviation, theilSen } from './statistics';
import { MIN_BODY_FRAMES, type ToneBody } from './tone';

/** A vowel is there for longer than this, frames. */
const TRAVEL_FRAMES = 21;
/** Below this spread of level a slope against it means nothing, dB. */
const LEAST_SPREAD_DB = 4;

/** Centroid of the body, in partials: median of the amplitude-weighted mean partial number. */
export function centroidPartials(body: ToneBody): Measured {
  if (body.centroidPartials.length < MIN_BODY_FRAMES) return absent('tooShort');
  const deviation = robustDeviation(body.centroidPartials);
  return measured(median(body.centroidPartials), 0.05 + deviation / Math.sqrt(body.centroidPartials.length / 10));
}

/** How far the colour travels within the body, partials: its 10–90 % width less what it wavers by anyway. */
export function colourTravelPartials(body: ToneBody): Measured {
  const values = body.centroidPartials;
  if (values.length < MIN_BODY_FRAMES) return absent('tooShort');
  const smooth = movingMedian(Array.from(values), TRAVEL_FRAMES);
  return measured(quantile(smooth, 0.9) - quantile(smooth, 0.1), 0.1);
}

/** How the centroid follows the level, partials for each 10 dB; the more the brighter when loud. */
export function centroidAgainstLevel(body: ToneBody): Measured {
  return against(body, body.centroidPartials);
}

/** Breath ratio of the body: median noise ÷ total, dB. */
export function breathRatioDb(body: ToneBody): Measured {
  return body.breathDb.length < MIN_BODY_FRAMES ? absent('tooShort') : measured(median(body.breathDb), 1.5);
}

/** How the breath ratio follows the level, dB for each 10 dB; negative: airier when soft. */
export function breathAgainstLevel(body: ToneBody): Measured {
  return against(body, body.breathDb);
}

/** Levels are gathered in steps of this, dB; a step counts from so many frames on. */
const STEP_DB = 3;
const LEAST_STEP_FRAMES = 8;

/** How bright a tone is so many decibels under its own loudest. */
export interface ColourAtLevel {
  readonly underDb: number;
  readonly centroidPartials: number;
}

/** How a tone's colour goes with its loudness, the loudest first, in steps of 3 dB; a tone at one loudness has one. */
export function colourOverLevel({ levelDb, centroidPartials }: ToneBody): ColourAtLevel[] {
  const loudestDb = levelDb.length > 0 ? quantile(levelDb, 0.98) : 0;
  const steps = new Map<number, number[]>();
  levelDb.forEach((db, i) => {
    const step = Math.max(0, Math.round((loudestDb - db) / STEP_DB));
    steps.set(step, [...(steps.get(step) ?? []), centroidPartials[i]!]);
  });
  return [...steps]
    .filter(([, values]) => values.length >= LEAST_STEP_FRAMES)
    .sort(([a], [b]) => a - b)
    .map(([step, values]) => ({ underDb: step * STEP_DB, centroidPartials: median(values) }));
}

function against(body: ToneBody, values: Float64Array): Measured {
  if (values.length < MIN_BODY_FRAMES) return absent('tooShort');
  const spreadDb = quantile(body.levelDb, 0.9) - quantile(body.levelDb, 0.1);
  if (spreadDb < LEAST_SPREAD_DB) return absent('levelHardlyMoved');
  const { slope, offset } = theilSen(body.levelDb, values);
  const rest = robustDeviation(values.map((value, i) => value - offset - slope * body.levelDb[i]!));
  // Readings 100 ms apart are independent; an even spread has about 0.36 of its 10–90 % width as deviation.
  return measured(10 * slope, (10 * rest) / (0.36 * spreadDb * Math.sqrt(values.length / 10)));
}
