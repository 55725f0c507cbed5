import type { Measured } from '@inner-hum/core/measure';
import { DYNAMICS, INSTRUMENTS } from '@inner-hum/core/theory';
import { mixed, number, object, string, type ISchema, type ObjectShape, type Reference } from 'yup';

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
const MOST = 1e12;
export const real = () => number().required().min(-MOST).max(MOST);
export const midi = () => real().integer().min(0).max(127);
/** Of the keys of one fingering. */
const MOST_KEYS_TEXT = 500;
/** A quantity with its uncertainty, or why there is none. One check, not five: hundreds of thousands of them are in a backup. */
export const measuredValue = mixed((value): value is Measured => isMeasured(value)).required();

function isMeasured(given: unknown): boolean {
  if (typeof given !== 'object' || given === null) return false;
  const { kind, value, uncertainty, reason } = given as Readonly<Record<string, unknown>>;
  if (kind === 'absent') return typeof reason === 'string' && reason !== '';
  const isReal = (one: unknown) => typeof one === 'number' && Math.abs(one) <= MOST;
  return kind === 'measured' && isReal(value) && isReal(uncertainty) && Number(uncertainty) >= 0;
}

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
