import { ownExerciseKey } from '@inner-hum/core/families';
import { database } from './database';

const BYTES_PER_SAMPLE = 2;

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

/** Drops sounds beyond the budget. Measures and traces are never dropped. */
export async function keepWithinBudget(budgetBytes: number, pinned: readonly string[]): Promise<void> {
  // With less than that in use altogether no sound need be read.
  const { usage = Infinity } = (await navigator.storage?.estimate()) ?? {};
  if (usage <= budgetBytes) return;
  const { sounds, digests } = database;
  const bytesOf = new Map<string, number>();
  await sounds.each(({ takeId, samples }) => void bytesOf.set(takeId, BYTES_PER_SAMPLE * samples.length));
  if ([...bytesOf.values()].reduce((sum, bytes) => sum + bytes, 0) <= budgetBytes) return;
  const kept = (await digests.bulkGet([...bytesOf.keys()])).flatMap((entry): KeptSound[] => {
    if (!entry) return [];
    const { takeId, startedAtMs, parameters, shareInWindow } = entry;
    const exercise = ownExerciseKey(parameters);
    return [{ takeId, startedAtMs, exercise, shareInWindow, bytes: bytesOf.get(takeId)! }];
  });
  await sounds.bulkDelete(soundsToDrop(kept, budgetBytes, pinned));
}
