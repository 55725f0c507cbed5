import { DYNAMICS, dynamicPosition, instrumentById, type Dynamic, type InstrumentId } from '@inner-hum/core/theory';
import { ALTISSIMO_REACH_SEMITONES } from '@inner-hum/core/theory';
import { TEMPO_RANGE_BPM, type Attack, type DynamicPoint, type Score, type Step } from './score';

/** Shapes of a swell, as players name them. */
export const SWELL_SHAPES = ['grow', 'fade', 'growFade', 'fadeGrow'] as const;
export type SwellShape = (typeof SWELL_SHAPES)[number];

/** Everything that can be set on a swell. Pitch is written. */
export interface SwellParameters {
  readonly instrumentId: InstrumentId;
  readonly writtenMidi: number;
  readonly shape: SwellShape;
  readonly softest: Dynamic;
  readonly loudest: Dynamic;
  readonly beats: number;
  readonly tempoBpm: number;
  readonly attack: Exclude<Attack, 'slurred'>;
  readonly repeats: number;
  readonly restBeats: number;
  readonly tunerHidden: boolean;
}

/** Limits of the numbers in {@link SwellParameters}. */
export const SWELL_LIMITS = {
  beats: { min: 2, max: 32 },
  tempoBpm: TEMPO_RANGE_BPM,
  repeats: { min: 1, max: 8 },
  restBeats: { min: 1, max: 16 },
} as const;

/** A middle note, mp to f and back in eight beats at 60: what a player warming up can do in one breath. */
export const SWELL_DEFAULTS: Omit<SwellParameters, 'instrumentId'> = {
  writtenMidi: 67,
  shape: 'growFade',
  softest: 'p',
  loudest: 'f',
  beats: 8,
  tempoBpm: 60,
  attack: 'breath',
  repeats: 1,
  restBeats: 4,
  tunerHidden: false,
};

/**
 * The score of a swell: one tone a repeat, rests between.
 * @throws RangeError naming the parameter that is out of its limits
 */
export function swell(parameters: SwellParameters): Score {
  check(parameters);
  const { beats, repeats, restBeats } = parameters;
  const steps: Step[] = Array.from({ length: repeats }, (_, i) => ({
    startBeat: i * (beats + restBeats),
    beats,
    fingeredMidi: parameters.writtenMidi,
    partialNumber: 1,
    soundedMidi: parameters.writtenMidi,
    dynamics: points(parameters),
    attack: parameters.attack,
  }));
  return {
    family: 'swell',
    instrumentId: parameters.instrumentId,
    tempoBpm: parameters.tempoBpm,
    countInBeats: 4,
    beatsPerBar: 4,
    partialTuning: 'tempered',
    tunerHidden: parameters.tunerHidden,
    steps,
  };
}

function points({ shape, softest, loudest, beats }: SwellParameters): DynamicPoint[] {
  const soft = (beat: number): DynamicPoint => ({ beat, dynamic: softest });
  const loud = (beat: number): DynamicPoint => ({ beat, dynamic: loudest });
  if (shape === 'grow') return [soft(0), loud(beats)];
  if (shape === 'fade') return [loud(0), soft(beats)];
  if (shape === 'growFade') return [soft(0), loud(beats / 2), soft(beats)];
  return [loud(0), soft(beats / 2), loud(beats)];
}

function check(parameters: SwellParameters): void {
  for (const [name, limit] of Object.entries(SWELL_LIMITS)) {
    const value = parameters[name as keyof typeof SWELL_LIMITS];
    if (!(value >= limit.min && value <= limit.max))
      throw new RangeError(`${name} must be from ${limit.min} to ${limit.max}, got ${value}`);
  }
  if (dynamicPosition(parameters.softest) >= dynamicPosition(parameters.loudest))
    throw new RangeError(
      `softest must be softer than loudest (${DYNAMICS.join(' ')}), got ${parameters.softest}–${parameters.loudest}`,
    );
  const horn = instrumentById(parameters.instrumentId);
  const top = horn.highestKeyedWrittenMidi + ALTISSIMO_REACH_SEMITONES;
  if (!(parameters.writtenMidi >= horn.lowestWrittenMidi && parameters.writtenMidi <= top))
    throw new RangeError(`writtenMidi must be from ${horn.lowestWrittenMidi} to ${top}, got ${parameters.writtenMidi}`);
}
