import { exerciseKey } from '@inner-hum/core/families';
import type { LookBack, TakeRecord } from '@inner-hum/core/take';
import { whenOf } from '../base/days';
import { lookBack } from '../db/past';
import { changeResult, measuredTake } from '../db/results';
import type { Ear } from '../input/ear';
import { store } from '../store';
import { isBusy } from '../store/practice';
import { boundsOf } from './planNow';

/** The page has this much time for itself between two takes, milliseconds. */
const BREATHES_MS = 30;

/**
 * Judges takes that older rules judged by today's, oldest first, while nothing is played; gives how many results changed
 * in what is told or decided. One that can't be judged, as one without frames, stays and is told as judged by older rules.
 *
 * @param ear one of its own: the page's listens
 * @param ids of takes that older rules judged, oldest first
 */
export async function judgeOlder(ear: Pick<Ear, 'ask'>, ids: readonly string[]): Promise<number> {
  let changed = 0;
  for (const id of ids) {
    await whenNothingIsPlayed();
    const take = await measuredTake(id);
    if (!take) continue;
    const { record, frames } = take;
    const result = await lookBackOf(record)
      .then((before) => ear.ask.judgeAnew(record, frames, before))
      .catch(() => undefined); // a damaged take says so where it is opened
    if (result && (await changeResult(id, result)) && toldOtherwise(record.verdict, result.verdict)) changed++;
    await new Promise((resolve) => setTimeout(resolve, BREATHES_MS));
  }
  return changed;
}

async function lookBackOf({ score, startedAt, parameters, setup }: TakeRecord): Promise<LookBack> {
  const when = whenOf(startedAt);
  const { past, held } = await lookBack(score, when.startedAtMs);
  const same = past.filter(({ day, exercise }) => day === when.day && exercise === exerciseKey(parameters));
  return { ...when, past, before: same.map(({ decision }) => decision), bounds: boundsOf({ setup }, held) };
}

function toldOtherwise(before: TakeRecord['verdict'], now: TakeRecord['verdict']): boolean {
  const ids = ({ findings }: TakeRecord['verdict']) => findings.map(({ id }) => id).join(' ');
  return ids(before) !== ids(now) || before.decision !== now.decision || before.next.change !== now.next.change;
}

function whenNothingIsPlayed(): Promise<void> {
  return new Promise((resolve) => {
    const look = () => {
      if (isBusy(store.getState().practice)) return false;
      unsubscribe();
      resolve();
      return true;
    };
    let unsubscribe = (): void => undefined;
    if (!look()) unsubscribe = store.subscribe(look);
  });
}
