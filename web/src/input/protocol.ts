import type {
  FreeTake,
  FreeWish,
  HeardTake,
  JudgedAnew,
  LookBack,
  Masked,
  OpenAssignment,
  TakeRecord,
} from '@inner-hum/core/take';
import type { Assignment } from '@inner-hum/core/judge';
import type { LoopDelay, LostSound, StepMeasures } from '@inner-hum/core/measure';
import type { Verdict } from '@inner-hum/core/judge';
import type { StandInSettings } from '@inner-hum/core/simulate';
import type { Score } from '@inner-hum/core/exercise';
import type { Frames } from '@inner-hum/core/signal';

/** From the worklet to the worker: sound on the audio clock. */
export interface BlockMessage {
  readonly kind: 'block';
  /** sample number of the first sample on the context's clock */
  readonly firstSample: number;
  readonly samples: Float32Array<ArrayBuffer>;
  /** the wall clock when the block was handed on, milliseconds: where the audio clock falls behind it, sound was lost */
  readonly atMs: number;
}

/** When a block was handed on, by the wall clock, and how far that is ahead of a clock that nobody sets, milliseconds. */
export interface BlockClock {
  readonly wallMs: number;
  readonly offsetMs: number;
}

/** Numbers of each row of a {@link LiveMessage}: frame index, f0 Hz, level dB, breath dB, 1 where an upper tone mixes in. */
export const LIVE_FIELDS = 5;

/** From the worker to the page: frames decided since the last message, and what the input is like. */
export type LiveMessage =
  | { readonly kind: 'started'; readonly firstSample: number }
  /** the sound of the running take could not be put away; it is tried again with the next second */
  | { readonly kind: 'draftLost'; readonly reason: string }
  | {
      readonly kind: 'frames';
      readonly rows: Float32Array<ArrayBuffer>;
      readonly peak: number;
      /** what the device lost since the recording began */
      readonly lost: readonly LostSound[];
    };

/** How a recording is set up. */
export interface RecorderSettings {
  readonly sampleRateHz: number;
  readonly minHz: number;
  readonly maxHz: number;
  /** seconds kept; leave out for a take, which keeps all */
  readonly retainS?: number;
  /** the set-up of free play, whose held tones are gathered; it may last as long as it likes */
  readonly free?: Pick<FreeWish, 'setup' | 'hornId'>;
  /** where the sound is kept from second to second while a take runs */
  readonly draftTakeId?: string;
  /** whether runs of exact zeros mean that the device lost sound (a real input always has noise) */
  readonly zerosAreLoss: boolean;
}

/** A take of free play, planned as it was heard. */
export interface FreeHeard {
  readonly plan: FreeTake['plan'];
  readonly heard: HeardTake;
}

/** Mains hum that is heard, and the highest that the microphone lets through where that is not all; Hz. */
export interface PickedUp {
  readonly humHz: number | undefined;
  readonly bandHz: number | undefined;
}

/** Name of the error with which a recording is refused: another has begun, or a take goes on. */
export const NOT_YOURS = 'NotYours';

/**
 * What the worker does when asked, by RPC. A recording is named by the number that `begin` gives; whatever is asked of one
 * that is over, or gave way to another, is refused with an error named {@link NOT_YOURS}. Use it by `Recording`.
 */
export interface EarService {
  /** takes the two ends: sound comes in by one, frames go out by the other */
  connect(sound: MessagePort, live: MessagePort): void;
  /** begins a recording in the place of another, but never in that of a take or of free play unless it is one itself */
  begin(settings: RecorderSettings): number;
  /** ends the recording; `firstBeatAtS` is on the context's clock, null when the first tone sets it */
  finishTake(recording: number, assignment: OpenAssignment, firstBeatAtS: number | null): Promise<HeardTake | null>;
  /** ends the recording and gives what was held in it as a take without sound; null when nothing was */
  finishFree(recording: number, wish: FreeWish, masked: Masked): FreeHeard | null;
  /** ends the recording and gives its frames */
  finishFrames(recording: number): Frames;
  /** what the last seconds tell of how the sound is picked up, while it goes on */
  pickedUp(recording: number): PickedUp;
  /** ends the recording and gives the way round of clicks played at these times on the context's clock */
  finishLoop(recording: number, clicksAtS: readonly number[]): LoopDelay;
  /** ends the recording; nothing happens where it is over */
  stop(recording: number): void;
  /** answers at once, when the worker is alive and idle */
  ping(): true;
  /** a recording analysed like a take, in pieces, telling how far it is (0–1); null when it holds no tone */
  assessRecording(
    samples: Float32Array<ArrayBuffer>,
    settings: RecorderSettings,
    assignment: OpenAssignment,
    firstBeatS: number | null,
    onProgress?: (share: number) => void | Promise<void>,
  ): Promise<HeardTake | null>;
  /** measures and verdict of frames that are kept, packed; @throws when the judge fails again */
  assessFrames(
    packed: Uint8Array<ArrayBuffer>,
    count: number,
    assignment: Assignment,
  ): { readonly measures: readonly StepMeasures[]; readonly verdict: Verdict };
  /** result of a kept take by today's rules; undefined where there is nothing to judge by */
  judgeAnew(record: TakeRecord, packed: Uint8Array<ArrayBuffer>, lookBack: LookBack): JudgedAnew | undefined;
  playStandIn(score: Score, settings: StandInSettings): Float32Array<ArrayBuffer>;
}
