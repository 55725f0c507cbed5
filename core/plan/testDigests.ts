import type { LoudnessBand } from '@inner-hum/core/measure';
import { setupKey, type Digest, type SetupNames } from './digest';
import type { Observation } from './observation';

const DAY_MS = 86_400_000;

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
  const startedAtMs = Date.UTC(2026, 0, dayNumber, 18);
  return {
    takeId: id,
    startedAtMs,
    day: new Date(Date.UTC(2026, 0, dayNumber)).toISOString().slice(0, 10),
    setup: names,
    setupKey: setupKey(names),
    family: 'hold',
    decision: 'again',
    findings: [],
    lastsS: 20,
    demo: false,
    holds: [],
    seen: observations.map((one, i) => ({ ...one, atMs: one.atMs || startedAtMs + i })),
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
