import { EarLed, type Score } from '@inner-hum/core/exercise';
import { HOP_S } from '@inner-hum/core/signal';
import type { AudioInput } from '../input/audioInput';
import { store } from '../store';
import { ended } from '../store/practice';
import type { PageSound } from './pageSound';
import { until } from './until';

/** Silence that ends a take that waits for the next tone, seconds: fingers and breath have all the time they need. */
const SILENCE_S = 20;

/** A score that goes on tone by tone, as soon as each is clear, until all are, the player or a long silence ends it. */
export async function playLed(
  page: PageSound,
  input: AudioInput,
  score: Score & { readonly clearS: number },
  { a4Hz, fromS, tailS, whileWaiting }: LedPlay,
): Promise<void> {
  const { context, trace } = input;
  const led = new EarLed(score, a4Hz, score.clearS);
  page.led = led;
  let read = Math.max(0, Math.round((fromS - (trace.startS ?? fromS)) / HOP_S));
  await until(
    page,
    input,
    () => {
      const startS = trace.startS ?? fromS;
      for (; read < trace.count; read++) led.hear(startS + read * HOP_S, trace.f0Hz[read]!);
      const nowS = context.currentTime;
      const clearAtS = led.tones.at(-1)?.toS ?? fromS;
      if (!led.step && nowS > clearAtS + tailS) store.dispatch(ended('score'));
      else if (nowS - Math.max(fromS, trace.lastToneAtS() ?? 0) > SILENCE_S) store.dispatch(ended('silence'));
      return false;
    },
    whileWaiting,
  );
}

interface LedPlay {
  readonly a4Hz: number;
  /** when the first tone began, on the context's clock, seconds */
  readonly fromS: number;
  /** how long it is listened on after the last tone is clear, seconds */
  readonly tailS: number;
  readonly whileWaiting: () => void;
}
