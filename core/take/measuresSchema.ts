import { STEP_QUANTITIES, type LoudnessBand, type StepMeasures } from '@inner-hum/core/measure';
import { array, boolean, lazy, string, type AnySchema } from 'yup';
import { whole, each, wholeOf, real, midi, measuredValue, hasKind } from './shapes';

type SoundedStep = Extract<StepMeasures, { readonly kind: 'sounded' }>;
const MOST_EVENTS = 20_000;

const timed = (more: Record<string, AnySchema>) =>
  array(whole({ atS: real(), ...more }))
    .max(MOST_EVENTS)
    .required();

const bandMeasures = wholeOf<SoundedStep['byLoudness'][LoudnessBand]>()({
  lastsS: real().min(0),
  pitchCentreCents: measuredValue,
  centroidPartials: measuredValue,
});

const silentStep = whole({ kind: string().required() });
const soundedStep = wholeOf<SoundedStep>()({
  kind: string().oneOf(['sounded']).required(),
  onsetS: real(),
  endS: real(),
  plannedStartS: real(),
  plannedEndS: real(),
  targetHz: real().positive(),
  otherSoundingMidi: midi().optional(),
  ...each(STEP_QUANTITIES, measuredValue),
  plannedRangeDb: real(),
  byLoudness: wholeOf<SoundedStep['byLoudness']>()({ soft: bandMeasures, medium: bandMeasures, loud: bandMeasures }),
  stairs: timed({ db: real() }),
  jumps: timed({
    kind: string().oneOf(['jump', 'crack', 'squeak']).required(),
    lastsS: real(),
    fromPartial: real(),
    toPartial: real(),
    cameBack: boolean().required(),
  }),
  dropOuts: timed({ lastsS: real() }),
  upperMixed: timed({ lastsS: real() }).optional().default(undefined),
  release: wholeOf<SoundedStep['release']>()({
    fallS: measuredValue,
    slipCents: measuredValue,
    into: string().oneOf(['silence', 'air', 'partial']).required(),
  }),
  hold: wholeOf<SoundedStep['hold']>()({
    beats: measuredValue,
    fault: string().oneOf(['none', 'jump', 'dropOut', 'pitch', 'ended']).required(),
  }),
  slur: wholeOf<NonNullable<SoundedStep['slur']>>()({
    levelStepDb: measuredValue,
    pitchStepCents: measuredValue,
    gapS: real().min(0),
    glitchS: real().min(0),
  })
    .optional()
    .default(undefined),
  tube: wholeOf<{ kind: string; partial?: number; sure?: boolean; aboveDb?: number }>()({
    kind: string().oneOf(['regular', 'partial', 'cannotTell']).required(),
    // Told of an overtone alone, and then both.
    partial: real()
      .min(2)
      .optional()
      .when('kind', { is: 'partial', then: (partial) => partial.required() }),
    sure: boolean().when('kind', { is: 'partial', then: (sure) => sure.required() }),
    aboveDb: real().optional(),
  })
    .optional()
    .default(undefined),
  drop: wholeOf<NonNullable<SoundedStep['drop']>>()({
    fromSoundingMidi: midi(),
    lateS: real().min(0),
    brokeToSoundingMidi: midi().optional(),
  })
    .optional()
    .default(undefined),
  bend: wholeOf<NonNullable<SoundedStep['bend']>>()({
    depthCents: measuredValue,
    returnCents: measuredValue,
    stepCents: measuredValue,
  })
    .optional()
    .default(undefined),
  pair: wholeOf<NonNullable<SoundedStep['pair']>>()({
    pitchCents: measuredValue,
    levelDb: measuredValue,
    centroidPartials: measuredValue,
    spectralDistanceDb: measuredValue,
    changeS: measuredValue,
  })
    .optional()
    .default(undefined),
});
export const stepMeasures = lazy((value: unknown) => (hasKind(value, 'silent') ? silentStep : soundedStep));
