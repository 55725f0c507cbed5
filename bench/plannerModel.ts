import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseScore } from '@inner-hum/core/families';
import { bandAt } from '@inner-hum/core/measure';
import type { Digest, Observation } from '@inner-hum/core/history';
import type { SeededRandom } from '@inner-hum/core/simulate';
import { dynamicPosition } from '@inner-hum/core/theory';
import { digest } from '@inner-hum/core/history/testDigests';

/**
 * A model of a player over eight weeks: every note has three weaknesses (pitch, response, steadiness) that practice of it
 * shrinks, its neighbours gain a share, and days without it let a little come back. The planner sees only noisy takes.
 */
export const DAYS = 56;
export const MINUTES = 20;
export const PLAYERS = 12;
export const LOWEST = 58;
export const NOTES = 33;
/** B♭3 to C♯4 */
const BELL_NOTES = 4;
export const DAY_MS = 86_400_000;
/** What one try takes off a weakness, what each neighbour gains of that, and what a day gives back. */
export const GAIN = 0.04;
export const SHARE = 0.4;
export const FORGET = 0.004;
const START = { pitchCents: 22, responseS: 0.25, steadinessCents: 7 } as const;
/** Spaced, the first try of a day on a note takes off so many times as much, the n-th an n-th of that. */
export const SPACED_GAIN = 3;
/** The floor that practice can't go under, as a share of the start. */
const FLOOR = 0.12;

type Weakness = keyof typeof START;
export const WEAKNESSES = Object.keys(START) as Weakness[];
export type Player = Record<Weakness, Float64Array>;

export function newPlayer(random: SeededRandom): Player {
  const of = () => Float64Array.from({ length: NOTES }, () => FLOOR + (1 - FLOOR) * random.uniform() ** 2);
  return { pitchCents: of(), responseS: of(), steadinessCents: of() };
}

/** How a try teaches: always the same, or less with each try of a day, since practice that is spaced out teaches more. */
export type Teaches = 'evenly' | 'spaced';
/** Tries on a note today, by weakness and note. */
export type Today = Map<string, number>;

export function practise(
  player: Player,
  exercise: ExerciseParameters,
  teaches: Teaches = 'evenly',
  today: Today = new Map(),
): void {
  const { steps } = exerciseScore(exercise);
  for (const midi of new Set(steps.map((step) => step.soundedMidi)))
    for (const weakness of WEAKNESSES) {
      // A held or swelled tone works on pitch and steadiness; many starts work on response.
      const starts = steps.filter((step) => step.soundedMidi === midi && step.attack !== 'slurred').length;
      const beats = steps.filter((step) => step.soundedMidi === midi).reduce((sum, step) => sum + step.beats, 0);
      const dose = Math.min(1.5, weakness === 'responseS' ? starts / 3 : beats / 8);
      for (const [at, share] of [
        [midi, 1],
        [midi - 1, SHARE],
        [midi + 1, SHARE],
      ] as const) {
        const i = at - LOWEST;
        const now = player[weakness][i];
        const times = today.get(`${weakness} ${i}`) ?? 0;
        today.set(`${weakness} ${i}`, times + dose * share);
        const worth = teaches === 'evenly' ? 1 : SPACED_GAIN / (1 + times);
        if (now !== undefined) player[weakness][i] = now - GAIN * dose * share * worth * (now - FLOOR);
      }
    }
}

export function digestOf(
  player: Player,
  exercise: ExerciseParameters,
  startedAtMs: number,
  id: string,
  random: SeededRandom,
): Digest {
  const seen = exerciseScore(exercise).steps.flatMap((step, i): Observation[] => {
    const n = step.soundedMidi - LOWEST;
    if (step.partialNumber > 1 || n < 0 || n >= NOTES) return [];
    const noise = (scale: number) => scale * random.normal();
    const first = step.dynamics[0]!;
    return [
      {
        atMs: startedAtMs + i,
        midi: step.soundedMidi,
        fingeredMidi: step.fingeredMidi,
        partial: 1,
        band: bandAt(first.position ?? dynamicPosition(first.dynamic)),
        attack: step.attack,
        tried: step.attack !== 'slurred',
        spoke: true,
        values: {
          pitchCentreCents: (n % 2 ? 1 : -1) * START.pitchCents * player.pitchCents[n]! + noise(3),
          pitchSteadinessCents: START.steadinessCents * player.steadinessCents[n]! + Math.abs(noise(0.6)),
          ...(step.attack !== 'slurred' && {
            responseS: START.responseS * player.responseS[n]! + Math.abs(noise(0.02)),
          }),
        },
      },
    ];
  });
  const setupKey = 'model';
  const setup = { instrumentId: 'alto' as const };
  const exact = {
    startedAtMs,
    day: dayText(startedAtMs),
    setupKey,
    family: exercise.family,
    parameters: exercise,
    seen,
  };
  return digest(id, 1, [], setup, exact);
}

export const dayText = (ms: number) => new Date(ms).toISOString().slice(0, 10);

/** How much practice exercises are, were every note as weak: all of it, and what falls on the player's worst fifth and on the bell notes. */
export function doseOf(exercises: readonly ExerciseParameters[], player: Player) {
  const edge = worstFifth(player).at(-1)!;
  const dose = { all: 0, worst: 0, bell: 0 };
  for (const exercise of exercises) {
    const fresh: Player = {
      pitchCents: new Float64Array(NOTES).fill(1),
      responseS: new Float64Array(NOTES).fill(1),
      steadinessCents: new Float64Array(NOTES).fill(1),
    };
    practise(fresh, exercise);
    for (const weakness of WEAKNESSES)
      for (let i = 0; i < NOTES; i++) {
        const part = (1 - fresh[weakness][i]!) / (GAIN * (1 - FLOOR));
        dose.all += part;
        if (player[weakness][i]! >= edge) dose.worst += part;
        if (i < BELL_NOTES) dose.bell += part;
      }
  }
  return dose;
}

export function remaining(player: Player): number {
  const all = WEAKNESSES.flatMap((weakness) => [...player[weakness]]);
  return all.reduce((sum, value) => sum + value, 0) / all.length;
}

/** The mean of the worst fifth: what a listener notices. */
export function worst(player: Player): number {
  const fifth = worstFifth(player);
  return fifth.reduce((sum, value) => sum + value, 0) / fifth.length;
}

/** The largest fifth of all weaknesses, largest first. */
function worstFifth(player: Player): number[] {
  const all = WEAKNESSES.flatMap((weakness) => [...player[weakness]]).sort((a, b) => b - a);
  return all.slice(0, Math.ceil(all.length / 5));
}
