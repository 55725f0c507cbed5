import { hearingRangeHz, type ExerciseParameters } from '@inner-hum/core/exercise';
import {
  exerciseScore,
  familyById,
  SWELL_DEFAULTS,
  usualExercise,
  type SwellParameters,
} from '@inner-hum/core/families';
import { assess, type Assignment, type Verdict } from '@inner-hum/core/judge';
import type { StepMeasures } from '@inner-hum/core/measure';
import { hear } from '@inner-hum/core/signal';
import { playStandIn, SeededRandom, type Habits } from '@inner-hum/core/simulate';
import { ASSUMED_RULER, INSTRUMENTS, type InstrumentId } from '@inner-hum/core/theory';

/** The benches play at the rate of a recording, tests at half of it: one more rate at which every sentence must hold, in less time. */
const RATE_HZ = Number(process.env['INNER_HUM_PLAY_HZ'] ?? 44_100);
const SHAPES = ['growFade', 'grow', 'fadeGrow', 'growFade'] as const;

/** A swell of the stand-in player on a horn and a note that the seed decides, through the whole analysis. */
export function playSwell(seed: number, habits: Habits): { measures: readonly StepMeasures[]; verdict: Verdict } {
  const random = new SeededRandom(seed);
  const pick = (count: number) => Math.floor(random.uniform() * count);
  const horn = INSTRUMENTS[pick(INSTRUMENTS.length)]!;
  const writtenMidi = horn.lowestWrittenMidi + 3 + pick(28);
  const shape = SHAPES[pick(SHAPES.length)]!;
  // In a swell that only grows or fades, drift can't be told from pitch that follows loudness, and no peak can be misplaced.
  const turns = habits.driftCentsPerS !== 0 || habits.peakShift !== 0 || habits.fatigue !== 0;
  const parameters: SwellParameters = {
    ...SWELL_DEFAULTS,
    instrumentId: horn.id,
    writtenMidi,
    tempoBpm: 100,
    beats: 10,
    shape: turns ? 'growFade' : shape,
  };
  return play(parameters, seed, habits);
}

/** A family as it usually is on a horn, through the whole analysis. */
export function playFamily(
  id: string,
  instrumentId: InstrumentId,
  seed: number,
  habits: Habits,
  change: Readonly<Record<string, number | string>> = {},
  about: Partial<Assignment> = {},
): Verdict {
  return play({ ...usualExercise(familyById(id), instrumentId), ...change }, seed, habits, about).verdict;
}

/** An exercise played by the stand-in player, through the whole analysis. */
export function play(parameters: ExerciseParameters, seed: number, habits: Habits, about: Partial<Assignment> = {}) {
  const score = exerciseScore(parameters);
  const common = { a4Hz: 440, ruler: ASSUMED_RULER } as const;
  const samples = playStandIn(score, { ...common, sampleRateHz: RATE_HZ, habits, seed, leadS: 1, tailS: 0.6 });
  const frames = hear(samples, { sampleRateHz: RATE_HZ, ...hearingRangeHz(score, 440) });
  const assignment: Assignment = {
    ...common,
    score,
    parameters,
    firstBeatS: 1,
    demand: 'firm',
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
    before: [],
    evenColour: habits.opensWhenLoudDb > 0,
    ...about,
  };
  return { ...assess(frames, assignment), assignment };
}
