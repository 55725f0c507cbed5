import { exerciseScore, type ExerciseParameters } from '@inner-hum/core/exercise';
import { DEMAND_CENTS } from '@inner-hum/core/measure';
import { A4_RANGE_HZ, DYNAMICS, INSTRUMENTS } from '@inner-hum/core/theory';
import { array, boolean, lazy, mixed, number, object, string, type AnySchema } from 'yup';

const instrumentId = string()
  .oneOf(INSTRUMENTS.map((one) => one.id))
  .required();
const dynamic = string().oneOf(DYNAMICS).required();
const attack = string().oneOf(['breath', 'tongue', 'slurred']).required();
const real = () => number().required();
// Schemas that are chosen by kind are made once: thousands of quantities pass through here.
const present = object({ kind: string().required(), value: real(), uncertainty: real().min(0) });
const missing = object({ kind: string().oneOf(['absent']).required(), reason: string().required() });
const measuredValue = lazy((value: unknown) => (hasKind(value, 'measured') ? present : missing));

const step = object({
  startBeat: real().min(0),
  beats: real().positive(),
  fingeredMidi: real().integer(),
  partialNumber: real().integer().min(1),
  soundedMidi: real().integer(),
  dynamics: array(object({ beat: real().min(0), dynamic, position: number().min(0).max(1).optional() }))
    .min(1)
    .required(),
  attack,
  pair: boolean().optional(),
  octaveKey: boolean().optional(),
  hum: boolean().optional(),
  bendCents: number().optional(),
  freePitch: boolean().optional(),
});

const score = object({
  family: string().required(),
  instrumentId,
  tempoBpm: real().min(30).max(200),
  countInBeats: real().integer().min(0),
  beatsPerBar: real().integer().min(1),
  partialTuning: string().oneOf(['tempered', 'natural', 'free']).required(),
  tunerHidden: boolean().required(),
  steps: array(step).min(1).required(),
});

/** Parameters that their own family accepts: only such can be played again. */
const parameters = mixed((value): value is ExerciseParameters => {
  try {
    exerciseScore(value as ExerciseParameters);
    return true;
  } catch {
    return false;
  }
}).required();

const timed = (more: Record<string, AnySchema>) => array(object({ atS: real(), ...more })).required();

const bandMeasures = object({
  lastsS: real().min(0),
  pitchCentreCents: measuredValue,
  centroidPartials: measuredValue,
});

const silentStep = object({ kind: string().required() });
const soundedStep = object({
  kind: string().oneOf(['sounded']).required(),
  onsetS: real(),
  endS: real(),
  plannedStartS: real(),
  plannedEndS: real(),
  targetHz: real().positive(),
  otherSoundingMidi: number().optional(),
  responseS: measuredValue,
  latenessS: measuredValue,
  riseS: measuredValue,
  settleS: measuredValue,
  scoopCents: measuredValue,
  pitchCentreCents: measuredValue,
  pitchSteadinessCents: measuredValue,
  driftCentsPerS: measuredValue,
  pitchAgainstLevelCents: measuredValue,
  shareInWindow: measuredValue,
  vibratoHz: measuredValue,
  vibratoCents: measuredValue,
  vibratoRegularity: measuredValue,
  centroidPartials: measuredValue,
  centroidAgainstLevel: measuredValue,
  breathRatioDb: measuredValue,
  breathAgainstLevel: measuredValue,
  swellErrorDb: measuredValue,
  wrongWayShare: measuredValue,
  rangeDb: measuredValue,
  plannedRangeDb: real(),
  peakPlaceBeats: measuredValue,
  breathAtSoftEndDb: measuredValue,
  levelAgainstPlanDb: measuredValue,
  softestDb: measuredValue,
  byLoudness: object({ soft: bandMeasures, medium: bandMeasures, loud: bandMeasures }),
  stairs: timed({ db: real() }),
  jumps: timed({
    kind: string().oneOf(['jump', 'crack', 'squeak']).required(),
    lastsS: real(),
    fromPartial: real(),
    toPartial: real(),
    cameBack: boolean().required(),
  }),
  dropOuts: timed({ lastsS: real() }),
  release: object({
    fallS: measuredValue,
    slipCents: measuredValue,
    into: string().oneOf(['silence', 'air', 'partial']).required(),
  }),
  hold: object({
    beats: measuredValue,
    fault: string().oneOf(['none', 'jump', 'dropOut', 'pitch', 'ended']).required(),
  }),
  slur: object({
    levelStepDb: measuredValue,
    pitchStepCents: measuredValue,
    gapS: real().min(0),
    glitchS: real().min(0),
  })
    .optional()
    .default(undefined),
  bend: object({ depthCents: measuredValue, returnCents: measuredValue, stepCents: measuredValue })
    .optional()
    .default(undefined),
  pair: object({
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

const verdict = object({
  findings: array(
    object({
      id: string().required(),
      weight: real().oneOf([0, 1, 2, 3]),
      stepIndex: real().integer().min(0),
      steps: number().integer().min(1).optional(),
      values: mixed((value): value is Record<string, number> => isNumbers(value)).required(),
    }),
  ).required(),
  tries: array(string().required()).required(),
  decision: string().oneOf(['again', 'easier', 'harder', 'leave']).required(),
  next: object({ change: string().required(), parameters: object().required() }),
});

const microphone = object({ kind: string().required(), label: string().defined() });
const recording = object({ kind: string().required(), name: string().defined() });
const standIn = object({ kind: string().oneOf(['standIn']).required(), seed: real(), habits: object().required() });
const source = lazy((value: unknown) => {
  if (hasKind(value, 'microphone')) return microphone;
  return hasKind(value, 'file') ? recording : standIn;
});

/** Yup schema of a take's record, for files and for stored rows of older versions. */
export const takeRecordSchema = object({
  id: string().required(),
  startedAt: string().datetime({ allowOffset: true }).required(),
  parameters,
  score,
  setup: object({
    instrumentId,
    a4Hz: real().min(A4_RANGE_HZ.min).max(A4_RANGE_HZ.max),
    ruler: object({
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
    evenColour: boolean().optional(),
  }),
  source,
  audioPath: object({ delayS: real(), delayErrorS: real().min(0) }),
  firstBeatS: real(),
  onBeat: boolean().required(),
  frameCount: real().integer().min(0),
  measures: array(stepMeasures).required(),
  verdict,
  note: string().defined(),
  cues: array(string().required()).optional(),
  lostMs: real().min(0),
  cut: boolean().required(),
  demo: boolean().required(),
});

function hasKind(value: unknown, kind: string): boolean {
  return typeof value === 'object' && value !== null && 'kind' in value && value.kind === kind;
}

function isNumbers(value: unknown): boolean {
  return typeof value === 'object' && value !== null && Object.values(value).every(Number.isFinite);
}
