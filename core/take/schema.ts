import { isDay, type Trial } from '@inner-hum/core/exercise';
import { DEMAND_CENTS, type AudioPath, type LostSound } from '@inner-hum/core/measure';
import { A4_RANGE_HZ, type LevelRuler } from '@inner-hum/core/theory';
import { array, boolean, lazy, mixed, number, object, string } from 'yup';
import { outOfBounds } from './outOfBounds';
import { packedLength } from './packedFrames';
import type { PickUp, TakeRecord, TakeRemark, WholeTake } from './record';
import { whole, wholeOf, real, hasKind, isTexts, instrumentId } from './shapes';
import { MOST_STEPS, score, parameters } from './scoreSchema';
import { stepMeasures } from './measuresSchema';
import { verdict } from './verdictSchema';

/** Holes that a take may have; what tears more often than that was no take. */
const MOST_LOST = 100_000;
const MOST_REMARKS = 1000;
/** A time that there is; the zone is checked with the rest of the text. */
const TIME = /^.{10}T([01]\d|2[0-3]):[0-5]\d/;

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
  startedAt: string()
    .datetime({ allowOffset: true })
    .required()
    .matches(TIME)
    .test('day', 'must be a day that there is', (value) => isDay(value.slice(0, 10))),
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
  judgedBy: number().integer().min(1).max(1e6).optional(),
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
