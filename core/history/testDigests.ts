import { familyById, usualExercise } from '@inner-hum/core/families';
import type { LoudnessBand } from '@inner-hum/core/measure';
import { setupKey, type Digest, type SetupNames } from './digest';
import type { Observation } from './observation';

const DAY_MS = 86_400_000;
/** 31 December 2025, 18:00 UTC. */
const FIRST_DAY_MS = 1_767_204_000_000;

/** An observation for tests: a medium start on a note that spoke. */
export function seen(change: Partial<Observation> = {}): Observation {
  const midi = change.midi ?? 67;
  return {
    atMs: 0,
    midi,
    fingeredMidi: midi,
    partial: 1,
    band: 'medium',
    attack: 'breath',
    tried: true,
    spoke: true,
    values: {},
    ...change,
  };
}

/** A digest for tests that holds some observations, on a day of January 2026. */
export function digest(
  id: string,
  dayNumber: number,
  observations: readonly Observation[],
  setup: Partial<SetupNames> = {},
  change: Partial<Digest> = {},
): Digest {
  const names: SetupNames = { instrumentId: 'alto', ...setup };
  const startedAtMs = FIRST_DAY_MS + dayNumber * DAY_MS;
  return {
    takeId: id,
    startedAtMs,
    day: `2026-01-${String(dayNumber).padStart(2, '0')}`,
    setup: names,
    setupKey: setupKey(names),
    family: 'hold',
    decision: 'again',
    parameters: usualExercise(familyById('hold'), names.instrumentId),
    next: {},
    findings: [],
    lastsS: 20,
    demo: false,
    shareInWindow: 0.9,
    holds: [],
    seen: observations.map((observation, i) => ({ ...observation, atMs: observation.atMs || startedAtMs + i })),
    tags: [],
    ...change,
  };
}

/** Every note of an alto in every loudness, once, its values from a function. */
export function wholeHorn(
  valuesOf: (midi: number, band: LoudnessBand) => Observation['values'],
  atMs = DAY_MS,
): Observation[] {
  return Array.from({ length: 33 }, (_, i) => 58 + i).flatMap((midi) =>
    (['soft', 'medium', 'loud'] as const).map((band, k) =>
      seen({ atMs: atMs + k, midi, band, values: valuesOf(midi, band) }),
    ),
  );
}
