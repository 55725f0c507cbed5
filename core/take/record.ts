import type { Score, ExerciseParameters, Trial } from '@inner-hum/core/exercise';
import type { Verdict } from '@inner-hum/core/judge';
import type { AudioPath, Demand, LostSound, StepMeasures } from '@inner-hum/core/measure';
import type { Habits } from '@inner-hum/core/simulate';
import type { InstrumentId, LevelRuler } from '@inner-hum/core/theory';

/** Where the sound of a take came from. */
export type TakeSource =
  | { readonly kind: 'microphone'; readonly label: string }
  | { readonly kind: 'file'; readonly name: string }
  | {
      readonly kind: 'standIn';
      readonly seed: number;
      readonly habits: Habits;
      /** at which rate it was played: the same seed plays the same at the same rate alone; 44.1 kHz when left out */
      readonly sampleRateHz?: number;
    };

/** What the player played on and was measured with. */
export interface TakeSetup {
  readonly instrumentId: InstrumentId;
  readonly a4Hz: number;
  readonly ruler: LevelRuler;
  readonly demand: Demand;
  /** the player's own names for what was played on, and where */
  readonly horn?: string;
  readonly mouthpiece?: string;
  readonly neck?: string;
  readonly reed?: string;
  readonly room?: string;
  /** keys with which notes of the take were fingered instead of the regular way, by written MIDI number */
  readonly fingerings?: Readonly<Record<string, string>>;
  /** whether one colour from soft to loud was wanted */
  readonly evenColour?: boolean;
}

/** Trouble that the sound itself tells of how it was picked up; what matters to the verdict is among its findings. */
export interface PickUp {
  /** mains hum, taken off before anything was measured, Hz */
  readonly humHz?: number;
  /** how little the room lies under the loudest tone, dB: the microphone is too far away */
  readonly roomBelowDb?: number;
}

/** What was said of one beat of a take, beats counted from 1, and by whom: '' where no name was given. */
export interface TakeRemark {
  readonly beat: number;
  readonly text: string;
  readonly from: string;
}

/** One take without its frames and sound. Times in seconds count from the first frame. */
export interface TakeRecord {
  readonly id: string;
  /** ISO 8601 with zone */
  readonly startedAt: string;
  readonly parameters: ExerciseParameters;
  readonly score: Score;
  readonly setup: TakeSetup;
  readonly source: TakeSource;
  readonly audioPath: AudioPath;
  readonly firstBeatS: number;
  readonly onBeat: boolean;
  readonly frameCount: number;
  readonly measures: readonly StepMeasures[];
  readonly verdict: Verdict;
  /** by which rules, see `JUDGE_RULES`; left out by those before 2 */
  readonly judgedBy?: number;
  /** why it could not be judged: there are no measures then, and it can be judged later */
  readonly unjudged?: string;
  readonly note: string;
  /** what a teacher said of it */
  readonly remarks?: readonly TakeRemark[];
  /** cues the player was trying, such as “softPlaying.slow” */
  readonly cues?: readonly string[];
  /** which try of an experiment it was */
  readonly trial?: Trial;
  readonly pickUp?: PickUp;
  /** sound that the device lost during the take, milliseconds */
  readonly lostMs: number;
  /** where it was lost; left out where nothing was, and by older versions */
  readonly lost?: readonly LostSound[];
  /** the take ended before its score: stopped, or recovered after the page was closed */
  readonly cut: boolean;
  /** part of the demo data */
  readonly demo: boolean;
}

/** Sound of a take: 16-bit mono. */
interface TakeSound {
  readonly sampleRateHz: number;
  readonly samples: Int16Array<ArrayBuffer>;
}

/** A take with everything that is kept of it. */
export interface WholeTake {
  readonly record: TakeRecord;
  /** as made by `packFrames` */
  readonly frames: Uint8Array<ArrayBuffer>;
  readonly sound?: TakeSound;
}
