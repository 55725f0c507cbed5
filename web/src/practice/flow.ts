import { ownExerciseKey } from '@inner-hum/core/families';
import { VERDICT_S } from '@inner-hum/core/lesson';
import { dayOf } from '../base/days';
import { store } from '../store';
import { once } from '../store/once';
import {
  blockMoved,
  goOnAsked,
  isBusy,
  isPausing,
  leaveAsked,
  nextExercise,
  pauseBegan,
  pauseEnded,
  type Pause,
} from '../store/practice';
import { exerciseOf, settingsChanged } from '../store/settings';
import type { PageSound } from './pageSound';
import type { Queue } from './queue';
import { playTake, type TakeOutcome } from './runTake';

const busy = () => isBusy(store.getState().practice) || isPausing(store.getState().practice);

/**
 * Plays the present exercise; when the player wants it so, the proposed next step follows each verdict by itself, until
 * the judge says leave it, nothing is heard, or the player stops.
 */
export async function startFlow(page: PageSound): Promise<void> {
  // Between the takes of what goes on by itself the microphone stays open.
  const hold = page.hold();
  try {
    await flow(page);
  } finally {
    hold.release();
  }
}

async function flow(page: PageSound): Promise<void> {
  while (!busy()) {
    const outcome = await playTake(page);
    if (isSilence(outcome)) {
      if (await pauses('player')) continue;
      return;
    }
    if (!store.getState().settings.goesOn || outcome.kind !== 'kept' || outcome.ending !== 'score') return;
    const { verdict } = outcome.record;
    if (verdict.decision === 'leave' || verdict.findings.some((finding) => finding.id === 'nothingHeard')) return;
    if (!(await pauses('next', VERDICT_S))) return;
    store.dispatch(settingsChanged({ exercise: nextExercise(outcome.record) }));
  }
}

/** Plays a block or a session, one exercise after the other, each verdict standing for a while; a stop ends it. */
export async function startQueue(page: PageSound, queue: Queue): Promise<void> {
  if (busy() || store.getState().practice.block) return;
  const hold = page.hold();
  try {
    await through(page, queue);
  } finally {
    hold.release();
  }
}

async function through(page: PageSound, queue: Queue): Promise<void> {
  const today = dayOf(new Date());
  for (let now = queue.now(); now; now = queue.now()) {
    if (!now.asWritten && store.getState().settings.left[ownExerciseKey(now.exercise)] === today) {
      queue.after({ decision: 'leave', next: {} });
      continue;
    }
    store.dispatch(settingsChanged({ exercise: now.exercise }));
    store.dispatch(blockMoved(now.place));
    const outcome = await playTake(page);
    const tried = queue.goesOnInSilence && isSilence(outcome) && outcome.kind === 'kept';
    if (isSilence(outcome) && !tried) {
      if (await pauses('player')) continue;
      break;
    }
    if (outcome.ending === 'left') {
      queue.after({ decision: 'leave', next: {} });
      continue;
    }
    if (outcome.kind !== 'kept' || (outcome.ending !== 'score' && !tried)) break;
    const { decision, next } = outcome.record.verdict;
    const tired = outcome.record.verdict.findings.some(({ id }) => id === 'tiring');
    const pauseS = queue.after({ decision, next: next.parameters, tired }, outcome.record);
    if (queue.now() && !(await pauses('next', pauseS))) break;
  }
  store.dispatch(blockMoved(null));
}

/** Leaves the present exercise for today: what runs ends, and a block goes on with its next. */
export function leave(): void {
  const { settings } = store.getState();
  const left = { ...settings.left, [ownExerciseKey(exerciseOf(settings))]: dayOf(new Date()) };
  store.dispatch(settingsChanged({ left }));
  store.dispatch(leaveAsked());
}

const isSilence = ({ ending }: TakeOutcome) => ending === 'silence';

/** A pause of so many seconds, or until the player ends it; whether it goes on after it. */
async function pauses(before: Pause['before'], forS = Infinity): Promise<boolean> {
  store.dispatch(pauseBegan(before));
  const timer = forS < Infinity ? setTimeout(() => store.dispatch(goOnAsked()), 1000 * forS) : undefined;
  const answer = await once(({ practice: { pause } }) => (pause ? (pause.answer ?? undefined) : 'end'));
  clearTimeout(timer);
  store.dispatch(pauseEnded());
  return answer === 'goOn';
}
