import { familyById, usualExercise } from '@inner-hum/core/families';
import type { HornId } from '@inner-hum/core/theory';
import type { RoutineBlock } from './routine';

type Row = readonly [
  family: string,
  tries: number,
  restS: number,
  settings?: Readonly<Record<string, number | string>>,
];

/**
 * Five ways in which tone work is commonly laid out, each a short practice of five to twenty minutes: from the low end, by long tones, by
 * swells, by overtones, and over the whole horn. Our own selection.
 */
const USUAL = {
  lowEnd: [
    ['airIntoTone', 3, 15],
    ['hold', 2, 20, { writtenMidi: 60 }],
    ['tongueOrAir', 1, 20],
    ['swell', 3, 20, { writtenMidi: 62, softest: 'p', loudest: 'mf' }],
    ['oneBreathDescent', 2, 20],
  ],
  longTones: [
    ['threeZones', 2, 15],
    ['longToneScale', 1, 20],
    ['countedBreaths', 2, 20],
    ['hold', 2, 20],
  ],
  swells: [
    ['fromNothing', 2, 15],
    ['swell', 3, 20, { shape: 'fade' }],
    ['swell', 3, 20, { shape: 'growFade' }],
    ['relaySwell', 2, 20],
    ['zigzagDescent', 1, 20],
  ],
  overtones: [
    ['homeCheck', 2, 10],
    ['overtoneLadder', 3, 30],
    ['overtoneMatch', 3, 30],
    ['bend', 2, 20],
    ['homeCheck', 1, 10],
  ],
  wholeHorn: [
    ['crossingBreak', 2, 20],
    ['octaveSlurs', 2, 15],
    ['vibrato', 2, 15],
    ['heardInterval', 2, 15],
    ['fullSpanScale', 1, 20],
  ],
} as const satisfies Readonly<Record<string, readonly Row[]>>;

export type UsualRoutine = keyof typeof USUAL;
export const USUAL_ROUTINES = Object.keys(USUAL) as UsualRoutine[];

/** The blocks of a usual routine on a horn. */
export function usualRoutine(id: UsualRoutine, hornId: HornId): RoutineBlock[] {
  const rows: readonly Row[] = USUAL[id];
  return rows.map(([family, tries, restS, settings]) => ({
    exercise: { ...usualExercise(familyById(family), hornId), ...settings },
    tries,
    restS,
    remark: '',
  }));
}
