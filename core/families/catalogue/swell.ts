import { choice, dynamic, note, number, scoreOf, series, softerThan, type Score } from '@inner-hum/core/exercise';
import type { Dynamic, HornId } from '@inner-hum/core/theory';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** Shapes of a swell, as players name them. */
export const SWELL_SHAPES = ['grow', 'fade', 'growFade', 'fadeGrow'] as const;
type SwellShape = (typeof SWELL_SHAPES)[number];

/** Everything that can be set on a swell. Pitch is written. */
export type SwellParameters = {
  readonly family: 'swell';
  readonly instrumentId: HornId;
  readonly writtenMidi: number;
  readonly shape: SwellShape;
  readonly softest: Dynamic;
  readonly loudest: Dynamic;
  readonly beats: number;
  readonly tempoBpm: number;
  readonly attack: 'breath' | 'tongue';
  readonly repeats: number;
  readonly restBeats: number;
  readonly tunerHidden: boolean;
};

/** A middle note, p to f and back in eight beats at 60: what a player warming up can do in one breath. */
export const SWELL_DEFAULTS: Omit<SwellParameters, 'instrumentId'> = {
  family: 'swell',
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

/** One note that grows, fades, or both. */
export const swellFamily = defineFamily({
  id: 'swell',
  stage: 'swells',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    shape: choice(SWELL_SHAPES, 'growFade'),
    softest: dynamic('p'),
    loudest: dynamic('f'),
    beats: number(2, 32, 8),
    attack: choice(['breath', 'tongue'], 'breath'),
    repeats: number(1, 8, 1),
    restBeats: number(1, 16, 4),
  },
  tones: ({ writtenMidi, shape, softest, loudest, beats, attack, repeats, restBeats }) => {
    softerThan(softest, loudest);
    const dynamics = {
      grow: [softest, loudest],
      fade: [loudest, softest],
      growFade: [softest, loudest, softest],
      fadeGrow: [loudest, softest, loudest],
    }[shape];
    return series(repeats, () => ({ note: writtenMidi, beats, dynamics, attack, rest: restBeats }));
  },
  teaching: {
    mainNote: 'writtenMidi',
    within: { tempoBpm: [44, 96], beats: [4, 16], softest: ['pp', 'mp'], loudest: ['mf', 'ff'] },
    longestBreathS: 16,
    easier: ['startLouder', 'fasterTempo', 'shorter'],
    harder: ['softer', 'hideTuner', 'wider', 'slower', 'longer'],
    planned: {
      from: 'new',
      // A swell tells of all three loudnesses at once.
      meets: ({ midi, reason }) =>
        reason === 'slope' || reason === 'pitch' || reason === 'steadiness' ? { writtenMidi: midi } : undefined,
      goals: { softIntonation: (writtenMidi) => ({ writtenMidi }) },
      turn: ({ weakest, turn }) => ({ writtenMidi: weakest(byTurn(['middle', 'palm', 'low'] as const, turn)) }),
    },
  },
});

/**
 * The score of a swell: one tone a repeat, rests between.
 * @throws RangeError naming the parameter that is out of its limits
 */
export function swell(parameters: SwellParameters): Score {
  return scoreOf(swellFamily, parameters);
}
