import { CHANGE_IDS } from '@inner-hum/core/families';
import { FINDING_IDS, TRY_IDS, type Finding, type Verdict } from '@inner-hum/core/judge';
import { array, mixed, number, string } from 'yup';
import { whole, wholeOf, real, isPlain, isNumbers } from './shapes';

export const verdict = wholeOf<Verdict>()({
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

/** Notes that a sentence names must be there. */
function hasItsValues({ id, values }: { readonly id?: unknown; readonly values?: unknown }): boolean {
  const given = (typeof values === 'object' && values !== null ? values : {}) as Record<string, unknown>;
  if (id === 'rests') return Number(given['hz']) > 0;
  if (id !== 'otherNote' && id !== 'hummedOther') return true;
  const heard = given['soundingMidi'];
  return Number.isInteger(heard) && Number(heard) >= 0 && Number(heard) <= 127;
}
