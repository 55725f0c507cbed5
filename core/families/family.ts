import type { Fields, Tone, ToneMaker, ValuesOf } from '@inner-hum/core/exercise';
import type { Instrument } from '@inner-hum/core/theory';

/** Groups of families, in the order of a practice. */
export const STAGES = [
  'lowEnd',
  'longTones',
  'swells',
  'descents',
  'lowRegister',
  'overtones',
  'altissimo',
  'wholeHorn',
] as const;
export type Stage = (typeof STAGES)[number];

export interface Family extends ToneMaker {
  readonly stage: Stage;
  readonly tempoBpm: number;
}

/** A family whose tones are made from its own fields. `tones` throws a RangeError that names what does not fit. */
export function defineFamily<const F extends Fields>(family: {
  readonly id: string;
  readonly stage: Stage;
  readonly tempoBpm: number;
  readonly fields: F;
  readonly tones: (values: ValuesOf<F>, horn: Instrument) => readonly Tone[];
}): Family {
  const { tones } = family;
  return { ...family, tones: (values, horn) => tones(values as unknown as ValuesOf<F>, horn) };
}
