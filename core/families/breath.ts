import { breathBudget, scoreOf, TEMPO_RANGE_BPM, type ExerciseParameters, type Score } from '@inner-hum/core/exercise';
import { sizeOf, zoneOf, type InstrumentId } from '@inner-hum/core/theory';
import type { Level } from './teaching';
import type { Family } from './family';

/** What a breath usually asks for before anything is measured: larger horns take more air. Our choice, careful. */
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
/** And no more than this of a player who is not known yet, in what is planned. */
const FIRST_PLANNED_S: Readonly<Record<Level, number>> = { new: 5, home: 6, advanced: 6 };
/** Overtones and altissimo tire the lip: short breaths whatever the lungs hold. */
const HIGH_PARTIALS_S = 5;
/** However long the lungs last, no breath of overtones or altissimo is longer. */
const HIGH_S = 6;
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

/** How long a breath lasts on one size of what it lasts on another: the longest breaths that are asked at first say it. */
export function breathShare(from: InstrumentId, to: InstrumentId): number {
  return FIRST_BREATH_S[to] / FIRST_BREATH_S[from];
}

/**
 * The longest breath that is asked of a player in a family, seconds: 85 % of what was held there. A tone that the score ended
 * is only a lower bound, and never makes the limit shorter.
 *
 * @param level of a player that something is planned for
 */
export function breathLimitS(
  family: Family,
  { instrumentId, steps }: Pick<Score, 'instrumentId' | 'steps'>,
  held?: Held,
  level?: Level,
): number {
  const soundsHigh = steps.some((step) => zoneOf(step.soundedMidi) === 'altissimo');
  const high = soundsHigh || family.stage === 'overtones' || family.stage === 'altissimo';
  const usualS = family.teaching.firstBreathS ?? (high ? HIGH_PARTIALS_S : FIRST_BREATH_S[sizeOf(instrumentId)]);
  const firstS = Math.min(usualS, level ? FIRST_PLANNED_S[level] : Infinity);
  const most = Math.min(
    family.teaching.longestBreathS ?? Infinity,
    soundsHigh || family.stage === 'overtones' ? HIGH_S : Infinity,
  );
  if (!held) return Math.min(most, firstS);
  const ownS = SHARE_OF_HELD * held.holdS;
  return Math.min(most, held.sure ? ownS : Math.max(firstS, ownS));
}

/**
 * An exercise with its breaths brought under a length: a held tone by a faster tempo first, then by fewer beats; a run by
 * fewer beats and fewer notes in a breath, since a short breath is no reason for faster fingers. As it is where it fits, and
 * where nothing helps: a tone that lasts as long as it stays good asks nothing.
 */
export function fittedToBreath(exercise: ExerciseParameters, family: Family, limitS: number): ExerciseParameters {
  const longestS = (tried: ExerciseParameters) => breathBudget(scoreOf(family, tried)).longestBreathS;
  if (longestS(exercise) > RUN_SHARE * limitS && isRun(scoreOf(family, exercise))) {
    for (const name of ['beats', NOTES_IN_BREATH]) {
      const field = family.fields[name];
      if (field?.kind !== 'number') continue;
      for (let value = Number(exercise[name]) - 1; value >= field.min; value--) {
        const shorter = { ...exercise, [name]: value };
        if (longestS(shorter) <= limitS) return shorter;
      }
    }
  }
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
    if (now <= fewest || !('beats' in exercise)) break;
  }
  // What is too long even so has less in it.
  const { amount } = family.teaching;
  const field = amount === undefined ? undefined : family.fields[amount];
  if (amount === undefined || field?.kind !== 'number') return tried;
  for (let less = Number(tried[amount]) - 1; less >= field.min; less--) {
    const shorter = { ...tried, [amount]: less };
    if (longestS(shorter) <= limitS) return shorter;
  }
  return tried;
}

/** The field that says how many notes of a run are played in one breath. */
const NOTES_IN_BREATH = 'notesInBreath';
/** What is so little over its limit may go that little faster, a run too. */
const RUN_SHARE = 1.1;
/** So many fingerings in one breath are a run. */
const RUN = 4;

function isRun({ steps }: Pick<Score, 'steps'>): boolean {
  let fingered = new Set<number>();
  return steps.some(({ attack, fingeredMidi, soundedMidi, partialNumber }) => {
    if (attack !== 'slurred') fingered = new Set();
    fingered.add(partialNumber === 1 ? soundedMidi : fingeredMidi);
    return fingered.size >= RUN;
  });
}
