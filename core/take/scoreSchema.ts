import {
  GAP_KINDS,
  VOWELS,
  type AskedVibrato,
  type ExerciseParameters,
  type Gap,
  type Score,
  type Step,
} from '@inner-hum/core/exercise';
import { familyIfKnown, isPlayed } from '@inner-hum/core/families';
import { isHornId } from '@inner-hum/core/theory';
import { array, boolean, mixed, number, string } from 'yup';
import { whole, wholeOf, dynamic, attack, real, midi } from './shapes';

const hornId = string()
  .test('horn', ({ value }) => `${String(value)} names no horn`, isHornId)
  .required();
/** More than any score or take has. */
export const MOST_STEPS = 5000;

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
  foundAfterS: number().min(0).max(1e5).optional(),
  offCents: number().optional(),
  droneMidi: number().integer().min(0).max(127).optional(),
  vibrato: wholeOf<AskedVibrato>()({ waves: real().min(1).max(12), widthCents: real().min(0).max(200) })
    .optional()
    .default(undefined),
  vowels: array(string().oneOf(VOWELS).required()).max(16).optional(),
});

export const score = wholeOf<Score>()({
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
  clearS: number().min(0).max(60).optional(),
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
export const parameters = mixed((value): value is ExerciseParameters => isPlayed(value)).required();
