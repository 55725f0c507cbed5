import type { EarLed } from '@inner-hum/core/exercise';
import type { WholeTake } from '@inner-hum/core/take';
import { AudioInput } from '../input/audioInput';
import type { Ear } from '../input/ear';
import { store } from '../store';
import { microphoneIs, troubleMet } from '../store/practice';
import { LiveNote } from './liveNote';
import { Speaker } from './speaker';

/** Where the running score stands on the context's clock, for drawing. */
export interface Timing {
  readonly beatS: number;
  readonly countInFromS: number;
  /** undefined while a first tone is waited for */
  readonly firstBeatAtS: number | undefined;
  /** until when that first tone is waited for */
  readonly waitsUntilS?: number;
}

/** The input is closed this long after nobody wants it any more: what follows at once goes on with it, milliseconds. */
const CLOSES_AFTER_MS = 400;

/** Who wants sound to come in: a take, free play, a check, or a session between two takes. */
export interface SoundHold {
  /** The sound input, opened and awake. @throws SoundProblem when the browser keeps it asleep or has none */
  open(): Promise<AudioInput>;
  /** It is not wanted any more; twice is the same as once. */
  release(): void;
}

/** All that a page hears and plays, and what of it lives in memory alone: one a page, made where the page starts. */
export class PageSound {
  /** where sound comes in now; read from frame to frame by what draws it, outside the store */
  input: AudioInput | undefined;
  timing: Timing | undefined;
  /** how far a score has come that goes on tone by tone, by ear */
  led: EarLed | undefined;
  /** the sound file that plays the part of the microphone: chosen anew at each visit */
  file: File | undefined;
  /** takes that are whole but could not be stored, by their ids */
  readonly unstored = new Map<string, WholeTake>();
  readonly speaker = new Speaker();
  readonly liveNote = new LiveNote();
  /** the input on its way, so that two callers share one */
  private opening: Promise<AudioInput> | undefined;
  private holds = 0;
  private closing: ReturnType<typeof setTimeout> | undefined;

  constructor(readonly ear: Ear) {}

  chooseFile(file: File): void {
    this.file = file;
  }

  /** Holds the sound input: whatever is plugged in is unplugged, and a microphone closed, when the last hold is released. */
  hold(): SoundHold {
    clearTimeout(this.closing);
    this.holds++;
    let held = true;
    return {
      open: () => this.openInput(),
      release: () => {
        if (!held) return;
        held = false;
        if (--this.holds > 0) return;
        this.closing = setTimeout(() => this.input?.unplug(), CLOSES_AFTER_MS);
      },
    };
  }

  private async openInput(): Promise<AudioInput> {
    if (this.input?.closed) await this.end();
    if (!this.input) {
      const asked = (this.opening ??= AudioInput.open(this.ear));
      try {
        const input = await asked;
        // One that was ended meanwhile is not taken into use.
        if (this.opening === asked) this.input = input;
      } finally {
        if (this.opening === asked) this.opening = undefined;
      }
    }
    const { input } = this;
    if (!input) throw new Error('the sound input was ended while it opened');
    input.onTrouble = (problem) => void store.dispatch(troubleMet(problem));
    input.onMicrophone = (open) => void store.dispatch(microphoneIs(open));
    await input.wake();
    return input;
  }

  /** Ends the ear's worker and the sound input, whatever they are at; the next take has others. Never rejects. */
  async end(): Promise<void> {
    const { input } = this;
    this.input = undefined;
    this.opening = undefined;
    this.ear.replace();
    await input?.close().catch(() => undefined); // a context that can't be closed is closed by the browser
  }
}
