import { DYNAMICS, INSTRUMENTS } from '@inner-hum/core/theory';
import { lazy, number, object, string, type ISchema, type ObjectShape, type Reference } from 'yup';

/** An object that must be there: a plain `object` of the library lets a missing one pass. */
export const whole = <Shape extends ObjectShape>(shape: Shape) => object(shape).required();

/** The same schema under each of some names. */
export const each = <Name extends string, Schema>(names: readonly Name[], schema: Schema) =>
  Object.fromEntries(names.map((name) => [name, schema])) as Record<Name, Schema>;

/** The same for an object of a type: a field that either of the two has and the other has not does not compile. */
export const wholeOf =
  <Type>() =>
  <Shape extends { readonly [Name in keyof Required<Type>]: ISchema<unknown> | Reference }>(
    shape: Shape & { readonly [Name in Exclude<keyof Shape, keyof Type>]: never },
  ) =>
    whole(shape);
export const dynamic = string().oneOf(DYNAMICS).required();
export const attack = string().oneOf(['breath', 'tongue', 'slurred']).required();
export const real = () => number().required().min(-1e12).max(1e12);
export const midi = () => real().integer().min(0).max(127);
/** Of the keys of one fingering. */
const MOST_KEYS_TEXT = 500;
// Schemas that are chosen by kind are made once: thousands of quantities pass through here.
const present = whole({ kind: string().required(), value: real(), uncertainty: real().min(0) });
const missing = whole({ kind: string().oneOf(['absent']).required(), reason: string().required() });
export const measuredValue = lazy((value: unknown) => (hasKind(value, 'measured') ? present : missing));

export function hasKind(value: unknown, kind: string): boolean {
  return typeof value === 'object' && value !== null && 'kind' in value && value.kind === kind;
}

/** A flat record of numbers, texts and yes or no. */
export function isPlain(value: unknown): boolean {
  return (
    typeof value === 'object' &&
    value !== null &&
    Object.values(value).every((entry) => ['number', 'string', 'boolean'].includes(typeof entry))
  );
}

export function isTexts(value: unknown): boolean {
  const texts = typeof value === 'object' && value !== null ? Object.values(value) : [undefined];
  return texts.every((entry) => typeof entry === 'string' && entry.length <= MOST_KEYS_TEXT);
}

export function isNumbers(value: unknown): boolean {
  return typeof value === 'object' && value !== null && Object.values(value).every(Number.isFinite);
}

export const instrumentId = string()
  .oneOf(INSTRUMENTS.map((instrument) => instrument.id))
  .required();
