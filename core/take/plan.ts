import { type ExerciseParameters, type Trial } from '@inner-hum/core/exercise';
import { exerciseScore, type Room } from '@inner-hum/core/families';
import type { Assignment, Decision, PastTake } from '@inner-hum/core/judge';
import type { AudioPath } from '@inner-hum/core/measure';
import type { TakeRecord, TakeSetup, TakeSource } from './record';

/** What is known of a take before it sounds. */
export type TakePlan = Pick<
  TakeRecord,
  'startedAt' | 'parameters' | 'score' | 'setup' | 'source' | 'audioPath' | 'onBeat' | 'cues' | 'trial'
>;

/** What a take is planned from. */
export interface TakeWish {
  /** ISO 8601 with zone */
  readonly startedAt: string;
  /** an exercise that plays, see `playable` */
  readonly parameters: ExerciseParameters;
  readonly setup: TakeSetup;
  readonly source: TakeSource;
  /** the way of the sound through speakers, air and microphone; a file and the stand-in player have none */
  readonly audioPath: AudioPath;
  /** whether beat one comes after the count-in; a file sets it by its first tone */
  readonly onBeat: boolean;
  /** the cue that is tried; '' for none */
  readonly cue: string;
  readonly trial?: Trial;
}

const NO_PATH: AudioPath = { delayS: 0, delayErrorS: 0 };

/**
 * Plans a take: the one place for the Stand, a recording, a recovered draft and the demo.
 * @throws RangeError when the exercise can't be played
 */
export function planTake({ startedAt, parameters, setup, source, audioPath, onBeat, cue, trial }: TakeWish): TakePlan {
  const score = exerciseScore(parameters);
  return {
    startedAt,
    parameters,
    score,
    setup,
    source,
    audioPath: source.kind === 'microphone' ? audioPath : NO_PATH,
    onBeat: onBeat && source.kind !== 'file' && score.clearS === undefined,
    ...(cue !== '' && { cues: [cue] }),
    ...(trial && { trial }),
  };
}

/** What came before a take, as the judge looks back on it. */
export interface LookBack {
  /** decisions on the same exercise today, oldest first */
  readonly before: readonly Decision[];
  readonly past: readonly PastTake[];
  /** what bounds the next step */
  readonly bounds: Room;
  readonly startedAtMs: number;
  /** the player's own day of the take, yyyy-mm-dd */
  readonly day: string;
}

/** Assignment whose first beat is not known yet. */
export type OpenAssignment = Omit<Assignment, 'firstBeatS'>;

/** What the judge is told of a planned take. */
export function assignmentOf(plan: TakePlan, { before, past, bounds, startedAtMs, day }: LookBack): OpenAssignment {
  const { score, parameters, audioPath, onBeat, setup, source } = plan;
  // Silence in a file or from the stand-in player is no device's work.
  const device = source.kind === 'microphone' && { device: {} };
  const now = { startedAtMs, day, reed: setup.reed ?? '' };
  return { score, parameters, audioPath, onBeat, ...setup, before, past, bounds, now, ...device };
}
