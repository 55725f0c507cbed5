import { askedHz, beatSeconds, type Score, type Step } from '@inner-hum/core/exercise';
import { HOP_S, type Frames } from '@inner-hum/core/signal';
import type { LevelRuler } from '@inner-hum/core/theory';
import { alignSteps, type ExpectedStep } from './align';
import type { AudioPath } from './lateness';
import { plannedLine, type PlannedLine } from './plannedLine';
import type { Demand } from './quantities.data';
import { median } from './statistics';
import type { ToneSpan } from './tone';

/** What the measuring of a take needs to know besides its frames. */
export interface TakeContext {
  readonly score: Score;
  /** when the first beat fell, seconds in the frames */
  readonly firstBeatS: number;
  readonly a4Hz: number;
  readonly ruler: LevelRuler;
  readonly demand: Demand;
  readonly audioPath: AudioPath;
  /** false when the first sound set the beat, so that being late means nothing */
  readonly onBeat: boolean;
}

/** A step as it is looked for in the sound. */
export interface Expected extends ExpectedStep {
  readonly step: Step;
  readonly line: PlannedLine;
}

/** A step as it is asked for, and where it sounded; no span where it did not. */
export interface ToneOfStep {
  readonly expected: Expected;
  readonly span: ToneSpan | undefined;
}

/** What each step of a score asks for and which sound of the take is its own, in the order of the score. */
export function tonesOfSteps(frames: Frames, context: TakeContext): ToneOfStep[] {
  const { score, a4Hz } = context;
  const voiced = frames.f0Hz.filter((hz) => hz > 0);
  const resting = voiced.length > 0 ? median(voiced) : 0;
  const expected = score.steps.map((step): Expected => {
    const line = plannedLine(score, step, context.firstBeatS, context.ruler);
    const { fingeredHz: tubeHz, targetHz: plannedHz } = askedHz(score, step, a4Hz);
    const targetHz = step.freePitch && resting > 0 ? resting : plannedHz;
    const fingeredHz = step.freePitch ? targetHz : tubeHz;
    // The sound of the room comes as much later as the audio path is long.
    const startS = line.startS + context.audioPath.delayS;
    const { hum: anyOctave = false, bendCents = 0 } = step;
    const endS = line.endS + context.audioPath.delayS;
    return { step, line, fingeredHz, targetHz, startS, endS, anyOctave, bendCents };
  });
  const spans = alignSteps(asked(frames, context), expected, beatSeconds(score));
  return expected.map((entry, i) => ({ expected: entry, span: spans[i] }));
}

/**
 * What may belong to a step: what sounds in open bars is nobody's but the player's, up to the middle of the breath after
 * them.
 */
function asked(frames: Frames, { score, firstBeatS, audioPath }: TakeContext): Frames {
  const open = score.gaps?.filter(({ kind }) => kind === 'open') ?? [];
  if (open.length === 0) return frames;
  const f0Hz = frames.f0Hz.slice();
  const rowAt = (beat: number) => Math.round((firstBeatS + audioPath.delayS + beat * beatSeconds(score)) / HOP_S);
  for (const { startBeat, beats } of open) {
    const endBeat = startBeat + beats;
    const nextBeat = score.steps.find((step) => step.startBeat >= endBeat)?.startBeat;
    const untilBeat = nextBeat === undefined ? Infinity : (endBeat + nextBeat) / 2;
    f0Hz.fill(0, rowAt(startBeat), Math.min(f0Hz.length, rowAt(untilBeat)));
  }
  return { ...frames, f0Hz };
}

/** When the air that leads into a step should begin, seconds in the frames; undefined where none is asked for. */
export function airBeforeS({ startBeat }: Step, { score, firstBeatS, audioPath }: TakeContext): number | undefined {
  const air = score.gaps?.find((gap) => gap.kind === 'air' && gap.startBeat + gap.beats === startBeat);
  return air && firstBeatS + audioPath.delayS + air.startBeat * beatSeconds(score);
}
