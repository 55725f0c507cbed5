import { ownExerciseKey } from '@inner-hum/core/families';
import { database } from './database';

/** What is known of a sound that is kept. */
export interface KeptSound {
  readonly takeId: string;
  readonly startedAtMs: number;
  readonly exercise: string;
  /** 0–1: which of an exercise was best */
  readonly shareInWindow: number;
  readonly bytes: number;
}

/**
 * Which sounds go so that the rest fits: the oldest first, but of each exercise the first, the last and the best stay, and
 * when even those are too many, the oldest of them go. What is pinned never goes.
 */
export function soundsToDrop(sounds: readonly KeptSound[], budgetBytes: number, pinned: readonly string[]): string[] {
  const oldest = [...sounds].sort((a, b) => a.startedAtMs - b.startedAtMs);
  const groups = new Map<string, KeptSound[]>();
  for (const sound of oldest) groups.set(sound.exercise, [...(groups.get(sound.exercise) ?? []), sound]);
  const special = new Set<string>();
  for (const own of groups.values()) {
    const best = own.reduce((most, sound) => (sound.shareInWindow > most.shareInWindow ? sound : most));
    for (const sound of [own[0]!, own.at(-1)!, best]) special.add(sound.takeId);
  }
  const rank = ({ takeId }: KeptSound) => (special.has(takeId) ? 1 : 0);
  let bytes = sounds.reduce((sum, sound) => sum + sound.bytes, 0);
  const dropped: string[] = [];
  for (const sound of oldest.filter(({ takeId }) => !pinned.includes(takeId)).sort((a, b) => rank(a) - rank(b))) {
    if (bytes <= budgetBytes) break;
    bytes -= sound.bytes;
    dropped.push(sound.takeId);
  }
  return dropped;
}

/** What is kept of a take's sound before its first beat and after its last, seconds, and how many bytes a second takes at most. */
const AROUND_S = 1;
const BYTES_A_SECOND = 2 * 48_000;

/**
 * Drops sounds beyond the budget. Measures and traces are never dropped. None is read for it: each is taken to be as long
 * as its take.
 */
export async function keepWithinBudget(budgetBytes: number, pinned: readonly string[]): Promise<void> {
  // With less than that in use altogether nothing need be looked at.
  const { usage = Infinity } = (await (navigator as Partial<Navigator>).storage?.estimate()) ?? {};
  if (usage <= budgetBytes) return;
  const { sounds, digests } = database;
  const ids = await sounds.toCollection().primaryKeys();
  const kept = (await digests.bulkGet(ids)).flatMap((entry): KeptSound[] => {
    if (!entry) return [];
    const { takeId, startedAtMs, parameters, shareInWindow, lastsS } = entry;
    const bytes = (lastsS + AROUND_S) * BYTES_A_SECOND;
    return [{ takeId, startedAtMs, exercise: ownExerciseKey(parameters), shareInWindow, bytes }];
  });
  await sounds.bulkDelete(soundsToDrop(kept, budgetBytes, pinned));
}
