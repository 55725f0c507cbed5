import { PARTIALS_KEPT, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { absent, measured, type Measured } from './measured';
import { median } from './statistics';
import { MIN_BODY_FRAMES, placedBody, type Placed, type ToneBody } from './tone';

/** Partials above this do not count, Hz. */
const TOP_HZ = 5000;
/** A partial this far under the strongest is noise as likely as tone, dB. */
const FLOOR_DB = -50;

/** A regular note and an overtone of the same pitch, compared. Differences are overtone less regular. */
export interface OvertonePair {
  readonly pitchCents: Measured;
  readonly levelDb: Measured;
  readonly centroidPartials: Measured;
  /** RMS difference of the two outlines over the partials up to 5 kHz, dB, each outline taken at equal mean level */
  readonly spectralDistanceDb: Measured;
}

/** Compares two bodies that lie in the same or in different frames. */
export function overtonePair(
  regular: { readonly frames: Frames; readonly body: ToneBody },
  overtone: { readonly frames: Frames; readonly body: ToneBody },
): OvertonePair {
  if (Math.min(regular.body.cents.length, overtone.body.cents.length) < MIN_BODY_FRAMES) {
    const tooShort = absent('tooShort');
    return { pitchCents: tooShort, levelDb: tooShort, centroidPartials: tooShort, spectralDistanceDb: tooShort };
  }
  const hz = (entry: { frames: Frames; body: ToneBody }) =>
    median(Array.from(entry.body.frame, (i) => entry.frames.f0Hz[i]!));
  const regularHz = hz(regular);
  const a = outline(regular.frames, regular.body, regularHz);
  const b = outline(overtone.frames, overtone.body, regularHz);
  return {
    pitchCents: measured(centsBetweenHz(regularHz, hz(overtone)), 1),
    levelDb: measured(median(overtone.body.levelDb) - median(regular.body.levelDb), 0.4),
    centroidPartials: measured(median(overtone.body.centroidPartials) - median(regular.body.centroidPartials), 0.1),
    spectralDistanceDb: measured(Math.sqrt(a.reduce((sum, value, i) => sum + (value - b[i]!) ** 2, 0) / a.length), 0.7),
  };
}

/** Median partials of a body up to 5 kHz, dB against their own mean, no lower than the floor under the strongest. */
function outline({ partialsDb }: Frames, body: ToneBody, hz: number): number[] {
  const count = Math.max(1, Math.min(PARTIALS_KEPT, Math.floor(TOP_HZ / hz)));
  const levels = Array.from({ length: count }, (_, k) =>
    median(Array.from(body.frame, (i) => partialsDb[i * PARTIALS_KEPT + k]!)),
  );
  const floor = Math.max(...levels) + FLOOR_DB;
  const kept = levels.map((level) => Math.max(floor, level));
  const mean = kept.reduce((sum, value) => sum + value, 0) / count;
  return kept.map((value) => value - mean);
}

/**
 * Median partials of a tone up to 5 kHz, dB against their own mean, for drawing; empty where it is too short.
 *
 * @param hz the pitch that says how many partials lie under 5 kHz: that of the tone it is laid over
 */
export function toneOutline(frames: Frames, placed: Placed, hz = placed.targetHz): readonly number[] {
  const body = placedBody(frames, placed);
  return body.frame.length > 0 ? outline(frames, body, hz) : [];
}

/** Outlines of the two tones of a pair in the frames of their take. */
export function pairOutlines(frames: Frames, first: Placed, second: Placed) {
  return { first: toneOutline(frames, first), second: toneOutline(frames, second, first.targetHz) };
}
