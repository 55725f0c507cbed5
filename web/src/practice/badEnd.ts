import { detailOf } from '../base/detailOf';
import { forgetDraft, leftDraft } from '../db/drafts';
import { SoundProblem, type ProblemId } from '../input/audioInput';
import type { Recording } from '../input/recording';
import { store } from '../store';
import { noticed } from '../store/notices';
import { cameToNothing, problemMet, type Ending } from '../store/practice';
import type { PageSound } from './pageSound';
import { recoverDraft, unkept } from './recoverDrafts';
import { GivenUp, pause } from './until';

/** An ear that does not end a recording within this is not waited for, milliseconds. */
const STOP_MS = 500;

export const endingNow = (): Ending => store.getState().practice.ending ?? 'score';

/**
 * What is left of a take that failed: a draft that came past its first beat stays and is made a take as soon as that
 * works, of any other there is nothing to keep. The ear and the microphone are closed, and the message says what is true.
 */
export async function endBadly(
  page: PageSound,
  takeId: string,
  recording: Recording | undefined,
  error: unknown,
): Promise<void> {
  const left = await leftDraft(takeId).catch(() => undefined);
  const started = page.unstored.has(takeId) || (left !== undefined && left.draft.plan.firstBeatS !== null);
  const { earDied } = store.getState().practice;
  const byPlayer = error instanceof GivenUp && !earDied;
  // What the ear was at is not waited for.
  if (earDied || byPlayer) await page.end();
  else await Promise.race([recording?.stop(), pause(STOP_MS)]).catch(() => undefined); // a dead worker needs no stop
  store.dispatch(cameToNothing(problemOf(error, { started, byPlayer, earDied })));
  if (started) unkept(page, takeId, left, error, byPlayer ? 'stopped' : undefined);
  else await forgetDraft(takeId).catch(() => undefined); // without a database there is none
  const kept = earDied && (await recoverDraft(page, takeId));
  const isOffered = store.getState().drafts.unkept.some((take) => take.takeId === takeId);
  if (earDied && !kept && !isOffered) store.dispatch(problemMet('earDeadAtOnce'));
}

/** What to tell of it here: of a take that is left, its offer tells why it is none. */
function problemOf(
  error: unknown,
  { started, byPlayer, earDied }: { readonly started: boolean; readonly byPlayer: boolean; readonly earDied: boolean },
): ProblemId | null {
  if (error instanceof SoundProblem) return error.id;
  return started || byPlayer || earDied ? null : 'failed';
}

/** The take goes on without its draft; at the end it is kept all the same, if that works. */
export function tellDraftLost(error: unknown): void {
  store.dispatch(noticed({ key: 'stand.draftLost', values: { detail: detailOf(error) } }));
}
