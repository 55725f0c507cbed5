import type { ExerciseParameters, Field } from '@inner-hum/core/exercise';
import { sizeOf } from '@inner-hum/core/theory';
import { familyById } from './catalogue';

/**
 * What makes two exercises tries at one thing, on any horn: the family, its notes, and its choices that are no dynamics. Made
 * easier or harder by beats, tempo, amount or dynamic it stays the same.
 */
export function exerciseKey(parameters: ExerciseParameters): string {
  const known = keys.get(parameters);
  if (known !== undefined) return known;
  const key = keyOf(parameters);
  keys.set(parameters, key);
  return key;
}
/** Of the same parameters it is asked again and again: each proposal is set against each take of eight weeks. */
const keys = new WeakMap<ExerciseParameters, string>();

function keyOf(parameters: ExerciseParameters): string {
  const fields = Object.entries(familyById(parameters.family).fields);
  const decisive = fields.filter(([, field]) => ['note', 'phrase'].includes(field.kind) || isOtherChoice(field));
  // What an older take does not say was not to be chosen then: it was as usual.
  return [parameters.family, ...decisive.map(([name, { usual }]) => parameters[name] ?? usual)].join(' ');
}

/** The same on one size of horn. */
export function ownExerciseKey(parameters: ExerciseParameters): string {
  return `${sizeOf(parameters.instrumentId)} ${exerciseKey(parameters)}`;
}

function isOtherChoice(field: Field): boolean {
  return field.kind === 'choice' && !field.options.includes('mf');
}
