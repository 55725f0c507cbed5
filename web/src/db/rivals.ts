import { isFree } from '@inner-hum/core/families';
import { exerciseTag, type Digest } from '@inner-hum/core/history';
import type { TakeRecord } from '@inner-hum/core/take';
import { findDigests } from './search';

/** Takes of the same exercise on the same size of horn that one can be set against, newest first. */
export async function rivalsOf({ id, parameters, setup }: TakeRecord): Promise<readonly Digest[]> {
  if (isFree(parameters)) return []; // what was played freely is no try at one thing
  const found = await findDigests({ tags: [exerciseTag(parameters), `size:${setup.instrumentId}`], since: '' });
  return found.filter((digest) => digest.takeId !== id);
}
