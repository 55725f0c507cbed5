import { AudioInput } from '../input/audioInput';
import { replaceEar } from '../input/ear';
import { store } from '../store';
import { microphoneIs, troubleMet } from '../store/practice';

/** Where the running score stands on the context's clock, for drawing. */
export interface Timing {
  readonly beatS: number;
  readonly countInFromS: number;
  /** undefined while a first tone is waited for */
  readonly firstBeatAtS: number | undefined;
  /** until when that first tone is waited for */
  readonly waitsUntilS?: number;
}

/** What sounds now, for those who draw it from frame to frame: one for the whole page, outside the store. */
export const liveSound: { input: AudioInput | undefined; timing: Timing | undefined } = {
  input: undefined,
  timing: undefined,
};

/** The input is closed this long after nobody wants it any more: what follows at once goes on with it, milliseconds. */
const CLOSES_AFTER_MS = 400;

/** The input on its way, so that two callers share one. */
let opening: Promise<AudioInput> | undefined;
let holds = 0;
let closing: ReturnType<typeof setTimeout> | undefined;

/** Who wants sound to come in: a take, free play, a check, or a session between two takes. */
export interface SoundHold {
  /** The sound input, opened and awake. @throws SoundProblem when the browser keeps it asleep or has none */
  open(): Promise<AudioInput>;
  /** It is not wanted any more; twice is the same as once. */
  release(): void;
}

/** Holds the sound input: whatever is plugged in is unplugged, and a microphone closed, when the last hold is released. */
export function holdSound(): SoundHold {
  clearTimeout(closing);
  holds++;
  let held = true;
  return {
    open: openInput,
    release() {
      if (!held) return;
      held = false;
      if (--holds > 0) return;
      closing = setTimeout(() => liveSound.input?.unplug(), CLOSES_AFTER_MS);
    },
  };
}

async function openInput(): Promise<AudioInput> {
  if (liveSound.input?.closed) await endSound();
  if (!liveSound.input) {
    const asked = (opening ??= AudioInput.open());
    try {
      const input = await asked;
      // One that was ended meanwhile is not taken into use.
      if (opening === asked) liveSound.input = input;
    } finally {
      if (opening === asked) opening = undefined;
    }
  }
  const { input } = liveSound;
  if (!input) throw new Error('the sound input was ended while it opened');
  input.onTrouble = (problem) => void store.dispatch(troubleMet(problem));
  input.onMicrophone = (open) => void store.dispatch(microphoneIs(open));
  await input.wake();
  return input;
}

/** Ends the ear's worker and the sound input, whatever they are at; the next take has others. */
export async function endSound(): Promise<void> {
  const { input } = liveSound;
  liveSound.input = undefined;
  opening = undefined;
  replaceEar();
  await input?.close().catch(() => undefined); // a context that can't be closed is closed by the browser
}
