import { isDay, type ExerciseParameters } from '@inner-hum/core/exercise';
import { isExercise } from '@inner-hum/core/families';
import { INSTRUMENTS } from '@inner-hum/core/theory';
import { boolean, mixed, number, string, type AnySchema } from 'yup';

/** How a part is read: as a whole, or, so that one bad entry costs no other, by the entries of a list or of a record. */
export interface Part {
  readonly by: 'whole' | 'list' | 'record';
  readonly schema: AnySchema;
  /** tells of now and here: a backup that is read beside takes adds nothing to it */
  readonly ofNow?: true;
}
/** What each setting of a group must hold to be used. */
export type PartsOf<Group> = { readonly [name in keyof Required<Group>]: Part };

export const whole = (schema: AnySchema): Part => ({ by: 'whole', schema });
export const listOf = (schema: AnySchema): Part => ({ by: 'list', schema });
export const recordOf = (schema: AnySchema): Part => ({ by: 'record', schema });
/** The same for what tells of now and here, as today's queue. */
export const ofNow = (part: Part): Part => ({ ...part, ofNow: true });
export const oneOf = (options: readonly (string | number)[]) =>
  mixed((value): value is string | number => (options as readonly unknown[]).includes(value));

export const real = () => number().required().min(-1e9).max(1e9);
export const text = () => string().defined().max(2000);
export const horn = oneOf(INSTRUMENTS.map((instrument) => instrument.id));
/** A day that there is, yyyy-mm-dd. */
export const day = () =>
  string().test('day', 'must be a day that there is', (value) => value === undefined || isDay(value));
export const time = () => string().matches(/^([01]\d|2[0-3]):[0-5]\d$/);
export const midi = () => number().required().integer().min(0).max(127);
export const flag = () => boolean().required();
export const exercise = () => mixed((value): value is ExerciseParameters => isExercise(value)).required();
