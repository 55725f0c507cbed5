import {
  ALTISSIMO_REACH_SEMITONES,
  DYNAMICS,
  type Dynamic,
  type Instrument,
  type HornId,
} from '@inner-hum/core/theory';
import { NotPlayable } from './issue';
import { parsePhrase } from './phrase';

/** What can be set on a family, with what is usual and what is possible. Notes are written MIDI numbers. */
export type Field =
  | { readonly kind: 'number'; readonly min: number; readonly max: number; readonly usual: number }
  | { readonly kind: 'note'; readonly usual: number }
  | { readonly kind: 'choice'; readonly options: readonly string[]; readonly usual: string }
  /** notes as text, see {@link parsePhrase}; `asWritten`: with all its marks, elsewhere only notes, lengths and rests count */
  | { readonly kind: 'phrase'; readonly usual: string; readonly asWritten?: true }
  /** set by the place that makes the exercise, not by hand */
  | { readonly kind: 'text'; readonly usual: string };

export type Fields = Readonly<Record<string, Field>>;
type ValueOf<F extends Field> = F extends { kind: 'choice'; options: readonly (infer T)[] }
  ? T
  : F extends { kind: 'phrase' | 'text' }
    ? string
    : number;
/** Values of fields by their names. */
export type ValuesOf<F extends Fields> = { readonly [name in keyof F]: ValueOf<F[name]> };

/** Everything that can be set on an exercise: what all have, and the fields of its family. */
export type ExerciseParameters = {
  readonly family: string;
  readonly instrumentId: HornId;
  readonly tempoBpm: number;
  readonly tunerHidden: boolean;
  readonly [field: string]: number | string | boolean;
};

export const number = (min: number, max: number, usual: number) => ({ kind: 'number', min, max, usual }) as const;
export const note = (usual: number) => ({ kind: 'note', usual }) as const;
export const choice = <const T extends string>(options: readonly T[], usual: NoInfer<T>) =>
  ({ kind: 'choice', options, usual }) as const;
export const text = (usual: string) => ({ kind: 'text', usual }) as const;
export const phrase = (usual: string) => ({ kind: 'phrase', usual }) as const;
export const passage = (usual: string) => ({ kind: 'phrase', usual, asWritten: true }) as const;
export const dynamic = (usual: Dynamic) => choice(DYNAMICS, usual);

export const SEMITONES_EACH_TIME = { stays: 0, semitoneUp: 1, semitoneDown: -1 } as const;
/** Where a phrase is repeated: on its notes, or from time to time a semitone off. */
export const eachTime = choice(['stays', 'semitoneUp', 'semitoneDown'], 'stays');

/** How the target of overtones is tuned, as a field of a family. */
export const tuning = choice(['natural', 'tempered', 'free'], 'natural');

/** Highest written note that can be asked of a horn. */
export function highestNote(horn: Instrument): number {
  return horn.highestKeyedWrittenMidi + ALTISSIMO_REACH_SEMITONES;
}

/** @throws NotPlayable (or PhraseError) naming the field whose value does not fit */
export function checkField(name: string, field: Field, value: unknown, horn: Instrument): void {
  if (field.kind === 'choice') {
    if (!field.options.includes(value as string))
      throw new NotPlayable({ reason: 'unknown', path: name }, `${name} must be one of ${field.options.join(', ')}`);
  } else if (field.kind === 'text') checkText(name, value);
  else if (field.kind === 'phrase') {
    checkText(name, value);
    parsePhrase(value as string);
  } else if (field.kind === 'note') {
    wholeNumber(name, value);
    onHorn(name, value as number, horn);
  } else inLimits(name, value, field.min, field.max);
}

/** Longest text of a field, characters. */
const LONGEST_TEXT = 2000;

function checkText(name: string, value: unknown): void {
  if (typeof value !== 'string' || value.length > LONGEST_TEXT)
    throw new NotPlayable({ reason: 'unknown', path: name }, `${name} must be a text`);
}

/** @throws NotPlayable when a value is no whole number from `min` to `max` */
export function inLimits(name: string, value: unknown, min: number, max: number): void {
  if (!(typeof value === 'number' && value >= min && value <= max))
    throw new NotPlayable(
      { reason: 'limits', path: name, min, max },
      `${name} must be from ${min} to ${max}, got ${String(value)}`,
    );
  wholeNumber(name, value);
}

function wholeNumber(name: string, value: unknown): void {
  if (!Number.isInteger(value))
    throw new NotPlayable({ reason: 'whole', path: name }, `${name} must be a whole number, got ${String(value)}`);
}

/** @throws NotPlayable when a written note lies outside the horn */
export function onHorn(path: string, midi: number, horn: Instrument): void {
  const highest = highestNote(horn);
  if (midi >= horn.lowestWrittenMidi && midi <= highest) return;
  const low = midi < horn.lowestWrittenMidi;
  throw new NotPlayable(
    {
      reason: low ? 'tooLow' : 'tooHigh',
      path,
      midi,
      limit: low ? horn.lowestWrittenMidi : highest,
    },
    `${path} must be from ${horn.lowestWrittenMidi} to ${highest}, got ${midi}`,
  );
}
