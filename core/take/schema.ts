import {
  GAP_KINDS,
  VOWELS,
  type AskedVibrato,
  type ExerciseParameters,
  type Gap,
  type Score,
  type Step,
  type Trial,
} from '@inner-hum/core/exercise';
import { CHANGE_IDS, familyIfKnown, isPlayed } from '@inner-hum/core/families';
import { FINDING_IDS, TRY_IDS, type Finding, type Verdict } from '@inner-hum/core/judge';
import {
  DEMAND_CENTS,
  STEP_QUANTITIES,
  type AudioPath,
  type LostSound,
  type LoudnessBand,
  type StepMeasures,
} from '@inner-hum/core/measure';
import { A4_RANGE_HZ, DYNAMICS, INSTRUMENTS, isHornId, type LevelRuler } from '@inner-hum/core/theory';
import { outOfBounds } from './outOfBounds';
import { packedLength } from './packedFrames';
import type { PickUp, TakeRecord, TakeRemark, WholeTake } from './record';
import {
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  string,
  type AnySchema,
  type ISchema,
  type ObjectShape,
  type Reference,
} from 'yup';

/** An object that must be there: a plain `object` of the library lets a missing one pass. */
const whole = <Shape extends ObjectShape>(shape: Shape) => object(shape).required();

/** The same schema under each of some names. */
const each = <Name extends string, Schema>(names: readonly Name[], schema: Schema) =>
  Object.fromEntries(names.map((name) => [name, schema])) as Record<Name, Schema>;

/** The same for an object of a type: a field that either of the two has and the other has not does not compile. */
const wholeOf =
  <Type>() =>
  <Shape extends { readonly [Name in keyof Required<Type>]: ISchema<unknown> | Reference }>(
    shape: Shape & { readonly [Name in Exclude<keyof Shape, keyof Type>]: never },
  ) =>
    whole(shape);

type SoundedStep = Extract<StepMeasures, { readonly kind: 'sounded' }>;

const instrumentId = string()
  .oneOf(INSTRUMENTS.map((instrument) => instrument.id))
  .required();
const hornId = string()
  .test('horn', ({ value }) => `${String(value)} names no horn`, isHornId)
  .required();
const dynamic = string().oneOf(DYNAMICS).required();
const attack = string().oneOf(['breath', 'tongue', 'slurred']).required();
const real = () => number().required().min(-1e12).max(1e12);
const midi = () => real().integer().min(0).max(127);
/** More than any score or take has. */
const MOST_STEPS = 5000;
const MOST_EVENTS = 20_000;
/** Holes that a take may have; what tears more often than that was no take. */
const MOST_LOST = 100_000;
const MOST_REMARKS = 1000;
/** Of the keys of one fingering. */
const MOST_KEYS_TEXT = 500;
/** A day and a time that there is; the zone is checked with the rest of the text. */
const DATE = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])T([01]\d|2[0-3]):[0-5]\d/;
// Schemas that are chosen by kind are made once: thousands of quantities pass through here.
const present = whole({ kind: string().required(), value: real(), uncertainty: real().min(0) });
const missing = whole({ kind: string().oneOf(['absent']).required(), reason: string().required() });
const measuredValue = lazy((value: unknown) => (hasKind(value, 'measured') ? present : missing));

const step = wholeOf<Step>()({
  startBeat: real().min(0).max(1e5),
  beats: real().positive().max(1e4),
  fingeredMidi: midi(),
  partialNumber: real().integer().min(1).max(64),
  soundedMidi: midi(),
  dynamics: array(whole({ beat: real().min(0), dynamic, position: number().min(0).max(1).optional() }))
    .min(1)
    .max(64)
    .required(),
  attack,
  pair: boolean().optional(),
  octaveKey: boolean().optional(),
  hum: boolean().optional(),
  bendCents: number().optional(),
  freePitch: boolean().optional(),
  openEnd: boolean().optional(),
  subtone: boolean().optional(),
  offCents: number().optional(),
  droneMidi: number().integer().min(0).max(127).optional(),
  vibrato: wholeOf<AskedVibrato>()({ waves: real().min(1).max(12), widthCents: real().min(0).max(200) })
    .optional()
    .default(undefined),
  vowels: array(string().oneOf(VOWELS).required()).max(16).optional(),
});

const score = wholeOf<Score>()({
  family: string()
    .test(
      'family',
      ({ value }) => `${String(value)} is no family`,
      (id) => familyIfKnown(id) !== undefined,
    )
    .required(),
  instrumentId: hornId,
  tempoBpm: real().min(30).max(200),
  countInBeats: real().integer().min(0).max(64),
  beatsPerBar: real().integer().min(1).max(64),
  partialTuning: string().oneOf(['tempered', 'natural', 'free']).required(),
  tunerHidden: boolean().required(),
  steps: array(step).min(1).max(MOST_STEPS).required(),
  gaps: array(
    wholeOf<Gap>()({
      // One before the first beat lies in the count-in.
      startBeat: real().min(-64).max(1e5),
      beats: real().positive().max(1e4),
      kind: string().oneOf(GAP_KINDS).required(),
    }),
  )
    .max(MOST_STEPS)
    .optional(),
});

/** Parameters of a known family; what today's family would not play can be played as the nearest that it does. */
const parameters = mixed((value): value is ExerciseParameters => isPlayed(value)).required();

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
const stepMeasures = lazy((value: unknown) => (hasKind(value, 'silent') ? silentStep : soundedStep));

const verdict = wholeOf<Verdict>()({
  findings: array(
    wholeOf<Finding>()({
      id: string().oneOf(FINDING_IDS).required(),
      weight: real().oneOf([0, 1, 2, 3]),
      stepIndex: real().integer().min(0),
      steps: number().integer().min(1).optional(),
      severity: number().min(0).max(1e12).optional(),
      values: mixed((value): value is Record<string, number> => isNumbers(value)).required(),
    }).test('values', 'the values of its sentence are missing', hasItsValues),
  )
    .max(500)
    .required(),
  tries: array(string().oneOf(TRY_IDS).required()).max(20).required(),
  decision: string().oneOf(['again', 'easier', 'harder', 'leave']).required(),
  next: whole({
    change: string()
      .oneOf(['none', 'tomorrow', 'keep', ...CHANGE_IDS])
      .required(),
    parameters: mixed((value): value is Record<string, unknown> => isPlain(value)).required(),
  }),
});

const microphone = whole({ kind: string().required(), label: string().defined() });
const recording = whole({ kind: string().required(), name: string().defined() });
const standIn = whole({
  kind: string().oneOf(['standIn']).required(),
  seed: real(),
  habits: object().required(),
  sampleRateHz: number().min(8000).max(768_000).optional(),
});
const source = lazy((value: unknown) => {
  if (hasKind(value, 'microphone')) return microphone;
  return hasKind(value, 'file') ? recording : standIn;
});

/** Yup schema of a take's record, for files and for stored rows of older versions. */
export const takeRecordSchema = wholeOf<TakeRecord>()({
  id: string()
    .matches(/^[\w.-]{1,100}$/)
    .required(),
  startedAt: string().datetime({ allowOffset: true }).required().matches(DATE),
  parameters,
  score,
  setup: wholeOf<TakeRecord['setup']>()({
    instrumentId,
    a4Hz: real().min(A4_RANGE_HZ.min).max(A4_RANGE_HZ.max),
    ruler: wholeOf<LevelRuler>()({
      softestDb: real(),
      loudestDb: real(),
      origin: string().oneOf(['assumed', 'measured']).required(),
    }),
    demand: string().oneOf(Object.keys(DEMAND_CENTS)).required(),
    horn: string().optional(),
    mouthpiece: string().optional(),
    neck: string().optional(),
    reed: string().optional(),
    room: string().optional(),
    fingerings: mixed((value): value is Readonly<Record<string, string>> => isTexts(value)).optional(),
    evenColour: boolean().optional(),
  }),
  source,
  audioPath: wholeOf<AudioPath>()({ delayS: real(), delayErrorS: real().min(0) }),
  firstBeatS: real(),
  onBeat: boolean().required(),
  frameCount: real().integer().min(0).max(1e7),
  measures: array(stepMeasures).max(MOST_STEPS).required(),
  verdict,
  unjudged: string().optional(),
  note: string().defined(),
  remarks: array(
    wholeOf<TakeRemark>()({
      beat: real().integer().min(1).max(1e5),
      text: string().required().max(2000),
      from: string().defined().max(2000),
    }),
  ).max(MOST_REMARKS),
  cues: array(string().required()).optional(),
  trial: wholeOf<Trial>()({
    experiment: string().required().max(100),
    round: real().integer().min(0).max(1000),
    variant: real().integer().min(0).max(100),
    part: real().integer().min(0).max(1),
  })
    .optional()
    .default(undefined),
  pickUp: wholeOf<PickUp>()({ humHz: number().min(10).max(1000), roomBelowDb: number().min(-200).max(200) })
    .optional()
    .default(undefined),
  lostMs: real().min(0),
  lost: array(
    wholeOf<LostSound>()({
      atS: real(),
      lastsS: real().min(0).max(1e5),
      how: string<LostSound['how']>().oneOf(['zeros', 'hole', 'clock']).required(),
    }),
  ).max(MOST_LOST),
  cut: boolean().required(),
  demo: boolean().required(),
}).test(
  'steps',
  'measures and findings are about more steps than the score has',
  // What is missing, or is no object at all, is told by its own check.
  (record: Readonly<Record<string, unknown>> | undefined) => {
    const { score, measures, verdict } = record ?? {};
    const steps = (score as { steps?: unknown[] } | null | undefined)?.steps;
    const findings = (verdict as { findings?: ({ stepIndex?: unknown } | null)[] } | null | undefined)?.findings;
    if (!Array.isArray(steps) || !Array.isArray(findings) || !Array.isArray(measures)) return true;
    return measures.length <= steps.length && findings.every((found) => Number(found?.stepIndex ?? 0) < steps.length);
  },
);

/** Whether a take, from wherever it comes, is whole: its record as the schema says, and as many frames as it names. */
export function isWholeTake({ record, frames }: WholeTake): boolean {
  return (
    outOfBounds(record) === undefined &&
    takeRecordSchema.isValidSync(record, { strict: true }) &&
    frames.length === packedLength(record.frameCount)
  );
}

function hasKind(value: unknown, kind: string): boolean {
  return typeof value === 'object' && value !== null && 'kind' in value && value.kind === kind;
}

/** Notes that a sentence names must be there. */
function hasItsValues({ id, values }: { readonly id?: unknown; readonly values?: unknown }): boolean {
  const given = (typeof values === 'object' && values !== null ? values : {}) as Record<string, unknown>;
  if (id === 'rests') return Number(given['hz']) > 0;
  if (id !== 'otherNote' && id !== 'hummedOther') return true;
  const heard = given['soundingMidi'];
  return Number.isInteger(heard) && Number(heard) >= 0 && Number(heard) <= 127;
}

/** A flat record of numbers, texts and yes or no. */
function isPlain(value: unknown): boolean {
  return (
    typeof value === 'object' &&
    value !== null &&
    Object.values(value).every((entry) => ['number', 'string', 'boolean'].includes(typeof entry))
  );
}

function isTexts(value: unknown): boolean {
  const texts = typeof value === 'object' && value !== null ? Object.values(value) : [undefined];
  return texts.every((entry) => typeof entry === 'string' && entry.length <= MOST_KEYS_TEXT);
}

function isNumbers(value: unknown): boolean {
  return typeof value === 'object' && value !== null && Object.values(value).every(Number.isFinite);
}
