import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { isExercise } from '@inner-hum/core/families';
import { INSTRUMENTS } from '@inner-hum/core/theory';
import { boolean, mixed, number, string, type AnySchema } from 'yup';

/** How a part is read: as a whole, or, so that one bad entry costs no other, by the entries of a list or of a record. */
export interface Part {
  readonly by: 'whole' | 'list' | 'record';
  readonly schema: AnySchema;
}
/** What each setting of a group must hold to be used. */
export type PartsOf<Group> = { readonly [name in keyof Required<Group>]: Part };

export const whole = (schema: AnySchema): Part => ({ by: 'whole', schema });
export const listOf = (schema: AnySchema): Part => ({ by: 'list', schema });
export const recordOf = (schema: AnySchema): Part => ({ by: 'record', schema });
export const oneOf = (options: readonly (string | number)[]) =>
  mixed((value): value is string | number => (options as readonly unknown[]).includes(value));

export const real = () => number().required().min(-1e9).max(1e9);
export const text = () => string().defined().max(2000);
export const horn = oneOf(INSTRUMENTS.map((instrument) => instrument.id));
export const day = () => string().matches(/^\d{4}-\d\d-\d\d$/);
export const time = () => string().matches(/^([01]\d|2[0-3]):[0-5]\d$/);
export const midi = () => number().required().integer().min(0).max(127);
export const flag = () => boolean().required();
export const exercise = () => mixed((value): value is ExerciseParameters => isExercise(value)).required();
