import type { AudioInput } from '../input/audioInput';
import type { Ear } from '../input/ear';
import { store } from '../store';
import { troubleMet } from '../store/practice';

const POLL_MS = 15;
/** An audio clock that stands still for this long has been stopped by the device or the browser, milliseconds. */
const STALLED_MS = 2500;
/** A look at the clock tells of so much time before it at most, milliseconds: a page that was held up has seen nothing. */
const LOOK_MS = 250;
/** A plugged-in microphone from which nothing is heard for this long has stopped, or the ear has, seconds. */
const UNHEARD_S = 2.5;
/** An ear that does not answer within this is dead, milliseconds. */
const ANSWER_MS = 1500;

export const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/** The player did not want to wait any longer, or there is nothing left to wait for. */
export class GivenUp extends Error {}

/** Waits on the audio clock until something holds or what runs has come to its end; sound that stops is trouble. */
export async function until(
  { ear }: { readonly ear: Ear },
  input: AudioInput,
  done: () => boolean,
  whileWaiting?: () => void,
): Promise<void> {
  let clockS = -1;
  let stillMs = 0;
  let lookedAtMs = performance.now();
  let frames = -1;
  let heardAtS = 0;
  let asking = false;
  const { run } = store.getState().practice;
  while (!done() && store.getState().practice.ending === null) {
    await pause(POLL_MS);
    const nowS = input.context.currentTime;
    const nowMs = performance.now();
    stillMs = nowS === clockS ? stillMs + Math.min(nowMs - lookedAtMs, LOOK_MS) : 0;
    [clockS, lookedAtMs] = [nowS, nowMs];
    if (stillMs > STALLED_MS) store.dispatch(troubleMet('suspended'));
    if (input.microphone === 'ended') store.dispatch(troubleMet('unplugged'));
    if (input.trace.count !== frames) [frames, heardAtS] = [input.trace.count, nowS];
    if (input.microphone === 'live' && nowS - heardAtS > UNHEARD_S && !asking) {
      asking = true;
      const askedOf = frames;
      const answered = (answers: boolean) => {
        asking = false;
        // An answer that comes late says nothing of the next take, nor of sound that was only told late.
        if (store.getState().practice.run !== run || input.trace.count !== askedOf) return;
        store.dispatch(troubleMet(answers ? 'unplugged' : 'earDead'));
      };
      void ear.answers(ANSWER_MS).then(answered); // never rejects
    }
    whileWaiting?.();
  }
}

/** Aborted when the player gives up waiting for what runs now; `end` stops looking. */
export function givenUpSignal(): { readonly signal: AbortSignal; readonly end: () => void } {
  const controller = new AbortController();
  const look = () => store.getState().practice.givenUp && controller.abort();
  const end = store.subscribe(look);
  look();
  return { signal: controller.signal, end };
}

/** What was asked for, or the end of waiting for it. @throws GivenUp */
export function orGivenUp<T>(asked: Promise<T>, signal: AbortSignal): Promise<T> {
  return Promise.race([
    asked,
    new Promise<never>((_, reject) => {
      if (signal.aborted) reject(new GivenUp());
      signal.addEventListener('abort', () => reject(new GivenUp()), { once: true });
    }),
  ]);
}
