import type { Fields, Tone, ToneMaker, ValuesOf } from '@inner-hum/core/exercise';
import type { Instrument } from '@inner-hum/core/theory';
import type { Teaching, Topic } from './teaching';

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

/** What the exercises of a stage are for. */
const ABOUT: Readonly<Record<Stage, readonly Topic[]>> = {
  lowEnd: ['start', 'break'],
  longTones: ['line', 'end', 'pitch'],
  swells: ['level', 'line', 'colour'],
  descents: ['level', 'line', 'end'],
  lowRegister: ['start', 'break', 'change'],
  overtones: ['break', 'change', 'pitch'],
  altissimo: ['break', 'line', 'change'],
  wholeHorn: ['pitch', 'change'],
};

/** What an exercise of a family is for: findings about it matter most. */
export function topicsOf({ stage, teaching }: Pick<Family, 'stage' | 'teaching'>): readonly Topic[] {
  return teaching.about ?? ABOUT[stage];
}

/** A generator of exercises with everything that a teacher decides about it. */
export interface Family extends ToneMaker {
  readonly stage: Stage;
  readonly tempoBpm: number;
  readonly teaching: Teaching;
}

type NotesOf<F extends Fields> = { [K in keyof F]: F[K] extends { kind: 'note' } ? K : never }[keyof F] & string;
type NumbersOf<F extends Fields> = { [K in keyof F]: F[K] extends { kind: 'number' } ? K : never }[keyof F] & string;

/** A family whose tones are made from its own fields. `tones` throws a RangeError that names what does not fit. */
export function defineFamily<const F extends Fields>(family: {
  readonly id: string;
  readonly stage: Stage;
  readonly tempoBpm: number;
  readonly fields: F;
  readonly climbs?: boolean;
  readonly tones: (values: ValuesOf<F>, horn: Instrument) => readonly Tone[];
  readonly teaching: Omit<Teaching, 'mainNote' | 'amount' | 'within'> & {
    readonly mainNote?: NotesOf<F>;
    readonly amount?: NumbersOf<F>;
    readonly within?: Readonly<
      Partial<Record<(keyof F & string) | 'tempoBpm', NonNullable<Teaching['within']>[string]>>
    >;
  };
}): Family {
  const { tones, teaching } = family;
  return {
    ...family,
    teaching: teaching as Teaching,
    tones: (values, horn) => tones(values as unknown as ValuesOf<F>, horn),
  };
}
