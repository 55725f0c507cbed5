import { AudioInput } from '../input/audioInput';
import { earService, replaceEar } from '../input/ear';
import { store } from '../store';
import { troubleMet } from '../store/practice';
import { pause } from './until';

/** Where the running score stands on the context's clock, for drawing. */
export interface Timing {
  readonly beatS: number;
  readonly countInFromS: number;
  /** undefined while a first tone is waited for */
  readonly firstBeatAtS: number | undefined;
}

/** What sounds now, for those who draw it from frame to frame: one for the whole page, outside the store. */
export const liveSound: { input: AudioInput | undefined; timing: Timing | undefined } = {
  input: undefined,
  timing: undefined,
};

/** A dead ear's worker is ended in this time, milliseconds. */
const STOP_MS = 500;

/** the input on its way, so that two callers share one */
let opening: Promise<AudioInput> | undefined;

/** The page's sound input, opened and awake. @throws SoundProblem when the browser keeps it asleep */
export async function openInput(): Promise<AudioInput> {
  if (!liveSound.input) {
    opening ??= AudioInput.open().finally(() => (opening = undefined));
    liveSound.input = await opening;
  }
  liveSound.input.onTrouble = (problem) => void store.dispatch(troubleMet(problem));
  await liveSound.input.wake();
  return liveSound.input;
}

/** Ends listening and closes the microphone; with `anew` the ear's worker is ended too, and the next take has another. */
export async function letGo(anew: boolean): Promise<void> {
  const { input } = liveSound;
  if (!anew) {
    input?.unplug();
    await Promise.race([earService().stop(), pause(STOP_MS)]).catch(() => undefined); // a dead worker needs no stop
    return;
  }
  liveSound.input = undefined;
  await input?.close().catch(() => undefined); // a context that can't be closed is closed by the browser
  replaceEar();
}
