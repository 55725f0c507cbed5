import { breathBudget, scoreOf, TEMPO_RANGE_BPM, type ExerciseParameters, type Score } from '@inner-hum/core/exercise';
import { zoneOf, type InstrumentId, sizeOf } from '@inner-hum/core/theory';
import type { Family } from './family';

/** What is asked of a breath before anything is measured: larger horns take more air. Our choice, careful. */
const FIRST_BREATH_S: Readonly<Record<InstrumentId, number>> = {
  sopranino: 8,
  soprano: 8,
  alto: 8,
  cMelody: 7,
  tenor: 7,
  baritone: 6,
  baritoneLowA: 6,
  bass: 6,
};
/** Overtones and altissimo tire the lip: short breaths whatever the lungs hold. */
const HIGH_PARTIALS_S = 5;
/** However long the lungs last, no breath of altissimo is longer. */
const ALTISSIMO_S = 6;
/** Share of what was held that a planned breath may take. */
const SHARE_OF_HELD = 0.85;
/** A tempo is raised by no more than this before beats are taken away. */
const FASTEST_SHARE = 1.25;

/** The longest good tone of a player somewhere on the horn. */
export interface Held {
  readonly holdS: number;
  /** whether a breath was ever heard to its end there: else the player can hold at least so long */
  readonly sure: boolean;
}

/**
 * The longest breath that is asked of a player in a family, seconds: 85 % of what was held there. A tone that the score ended
 * is only a lower bound, and never makes the limit shorter.
 */
export function breathLimitS(
  family: Family,
  { instrumentId, steps }: Pick<Score, 'instrumentId' | 'steps'>,
  held?: Held,
): number {
  const soundsHigh = steps.some((step) => zoneOf(step.soundedMidi) === 'altissimo');
  const high = soundsHigh || family.stage === 'overtones' || family.stage === 'altissimo';
  const firstS = family.teaching.firstBreathS ?? (high ? HIGH_PARTIALS_S : FIRST_BREATH_S[sizeOf(instrumentId)]);
  const most = Math.min(family.teaching.longestBreathS ?? Infinity, soundsHigh ? ALTISSIMO_S : Infinity);
  if (!held) return Math.min(most, firstS);
  const ownS = SHARE_OF_HELD * held.holdS;
  return Math.min(most, held.sure ? ownS : Math.max(firstS, ownS));
}

/**
 * An exercise with its breaths brought under a length: a faster tempo first, then fewer beats, then both as far as the
 * family allows. As it is where it fits, and where nothing helps: a tone that lasts as long as it stays good asks nothing.
 */
export function fittedToBreath(exercise: ExerciseParameters, family: Family, limitS: number): ExerciseParameters {
  const longestS = (tried: ExerciseParameters) => breathBudget(scoreOf(family, tried)).longestBreathS;
  const [, fastest] = family.teaching.within?.['tempoBpm'] ?? [0, TEMPO_RANGE_BPM.max];
  const fastestBpm = Math.min(Number(fastest), FASTEST_SHARE * exercise.tempoBpm);
  const beats = family.fields['beats'];
  const fewest = beats?.kind === 'number' ? beats.min : 0;
  let tried = exercise;
  for (let now = Number(exercise['beats'] ?? 0); ; now--) {
    const atTempo = 'beats' in exercise ? { ...exercise, beats: now } : exercise;
    const tempoBpm = Math.max(exercise.tempoBpm, Math.ceil((exercise.tempoBpm * longestS(atTempo)) / limitS - 1e-9));
    if (tempoBpm <= fastestBpm) return { ...atTempo, tempoBpm };
    tried = { ...atTempo, tempoBpm: Math.max(exercise.tempoBpm, Math.floor(fastestBpm)) };
    if (now <= fewest || !('beats' in exercise)) return tried;
  }
}
