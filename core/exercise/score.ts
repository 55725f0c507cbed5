import type { Dynamic, HornId, PartialTuning } from '@inner-hum/core/theory';

/** Vowels to think of, from bright to dark. */
export const VOWELS = ['ee', 'ah', 'oh', 'oo'] as const;
export type Vowel = (typeof VOWELS)[number];

/** A vibrato that is asked for: waves to the beat, and how far it goes to each side, cents. */
export interface AskedVibrato {
  readonly waves: number;
  readonly widthCents: number;
}

export type Attack = 'breath' | 'tongue' | 'slurred';

/** A written dynamic at a beat of its step; between two points the level moves in a straight line of decibels. */
export interface DynamicPoint {
  readonly beat: number;
  readonly dynamic: Dynamic;
  /** place on the player's ruler, 0–1, where it lies between two dynamics */
  readonly position?: number;
}

/** One intended tone. Whatever lies between two steps is rest. Pitches are written MIDI numbers. */
export interface Step {
  /** beats from the first beat of the score */
  readonly startBeat: number;
  readonly beats: number;
  readonly fingeredMidi: number;
  /** partial of the fingered tube that is meant to sound; 1 is the fingered note itself */
  readonly partialNumber: number;
  readonly soundedMidi: number;
  /** at least one point, in order of beats, the first at beat 0 */
  readonly dynamics: readonly DynamicPoint[];
  readonly attack: Attack;
  /** fingered with the octave key: `fingeredMidi` is the tube, an octave lower than the fingers' own note */
  readonly octaveKey?: boolean;
  /** hummed or sung, in any octave, not played */
  readonly hum?: boolean;
  /** goes this far down and back by voicing alone, cents */
  readonly bendCents?: number;
  /** no pitch is asked for: it may rest wherever it does */
  readonly freePitch?: boolean;
  /** lasts as long as it stays good: `beats` is only the longest that is listened for */
  readonly openEnd?: boolean;
  /** vowels to think of, spread evenly over the step */
  readonly vowels?: readonly Vowel[];
  readonly vibrato?: AskedVibrato;
  /** should sound like the step before it and is compared with it */
  readonly pair?: boolean;
}

/** What is to be played, on a beat grid. */
export interface Score {
  /** id of the family that made it */
  readonly family: string;
  readonly instrumentId: HornId;
  readonly tempoBpm: number;
  readonly countInBeats: number;
  readonly beatsPerBar: number;
  readonly partialTuning: PartialTuning;
  readonly tunerHidden: boolean;
  readonly steps: readonly Step[];
}

export const TEMPO_RANGE_BPM = { min: 30, max: 200 } as const;

/** Seconds of one beat. */
export function beatSeconds(score: Pick<Score, 'tempoBpm'>): number {
  return 60 / score.tempoBpm;
}

/** Beats from the first beat to the end of the last step. */
export function scoreBeats(score: Pick<Score, 'steps'>): number {
  return Math.max(0, ...score.steps.map((step) => step.startBeat + step.beats));
}

/** A tone without a set end is written as one bar under a fermata. */
const WRITTEN_OPEN_BEATS = 4;

/** A score as it is written down: tones that last as long as they stay good are a bar long, what follows moves up. */
export function notated(score: Score): Score {
  let earlier = 0;
  const steps = score.steps.map((step): Step => {
    const startBeat = step.startBeat - earlier;
    if (!step.openEnd || step.beats <= WRITTEN_OPEN_BEATS) return { ...step, startBeat };
    earlier += step.beats - WRITTEN_OPEN_BEATS;
    return { ...step, startBeat, beats: WRITTEN_OPEN_BEATS };
  });
  return { ...score, steps };
}

/** Whether a score has a tone that lasts as long as it stays good. */
export function isOpenEnded({ steps }: Pick<Score, 'steps'>): boolean {
  return steps.some((step) => step.openEnd === true);
}

/** Beats of the longest silence between two steps. */
export function longestRestBeats({ steps }: Pick<Score, 'steps'>): number {
  return Math.max(0, ...steps.slice(1).map((step, i) => step.startBeat - steps[i]!.startBeat - steps[i]!.beats));
}

/**
 * Planned place on the player's ruler at a beat of a step, 0 (pp) to 1 (ff), straight between points; before the first
 * and after the last point it stays.
 */
export function plannedPosition(step: Step, beat: number, positionOf: (dynamic: Dynamic) => number): number {
  const points = step.dynamics;
  const after = points.findIndex((point) => point.beat > beat);
  const placeOf = (point: DynamicPoint) => point.position ?? positionOf(point.dynamic);
  if (after === 0) return placeOf(points[0]!);
  if (after < 0) return placeOf(points[points.length - 1]!);
  const from = points[after - 1]!;
  const to = points[after]!;
  const share = (beat - from.beat) / (to.beat - from.beat);
  return placeOf(from) * (1 - share) + placeOf(to) * share;
}
