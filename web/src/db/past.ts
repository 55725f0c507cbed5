import { pastTake, type PastTake } from '@inner-hum/core/judge';
import { whenOf } from '../shared/format';
import { database } from './database';

/** How many of the newest takes are looked back on. */
const MOST = 120;

/** Earlier takes on a horn as the judge looks back on them, oldest first. */
export async function pastTakes(instrumentId: string): Promise<PastTake[]> {
  const found: PastTake[] = [];
  await database.takes
    .orderBy('startedAt')
    .reverse()
    .limit(MOST)
    .each((take) => {
      if (take.setup.instrumentId === instrumentId)
        found.unshift(pastTake({ ...take, ...whenOf(take.startedAt), reed: take.setup.reed ?? '' }));
    });
  return found;
}
