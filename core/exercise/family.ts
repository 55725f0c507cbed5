import {
  ALTISSIMO_REACH_SEMITONES,
  DYNAMICS,
  dynamicPosition,
  instrumentById,
  type Dynamic,
  partialSemitones,
  type Instrument,
  type InstrumentId,
  type PartialTuning,
} from '@inner-hum/core/theory';
import { NotPlayable } from './issue';
import { parsePhrase } from './phrase';
import { TEMPO_RANGE_BPM, type Attack, type DynamicPoint, type Score, type Step } from './score';

/** Groups of families, in the order of a practice. */
export const STAGES = [
  'lowEnd',
  'longTones',
  'swells',
  'descents',
  'lowRegister',
  'overtones',
  'altissimo',
  'wholeHorn',
] as const;
export type Stage = (typeof STAGES)[number];

/** What can be set on a family, with what is usual and what is possible. Notes are written MIDI numbers. */
export type Field =
  | { readonly kind: 'number'; readonly min: number; readonly max: number; readonly usual: number }
  | { readonly kind: 'note'; readonly usual: number }
  | { readonly kind: 'choice'; readonly options: readonly string[]; readonly usual: string }
  /** notes as text, see {@link parsePhrase} */
  | { readonly kind: 'phrase'; readonly usual: string }
  /** set by the place that makes the exercise, not by hand */
  | { readonly kind: 'text'; readonly usual: string };

type Fields = Readonly<Record<string, Field>>;
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
  readonly instrumentId: InstrumentId;
  readonly tempoBpm: number;
  readonly tunerHidden: boolean;
  readonly [field: string]: number | string | boolean;
};

/** A tone of a family, laid after the one before it. */
export interface Tone {
  /** written note that is fingered */
  readonly note: number;
  /** partial of it that should sound; 1 when left out */
  readonly partial?: number;
  readonly octaveKey?: boolean;
  readonly hum?: boolean;
  readonly bendCents?: number;
  readonly freePitch?: boolean;
  /** is to be like the tone before it, and compared with it */
  readonly pair?: boolean;
  readonly beats: number;
  /** dynamics spread evenly over the tone: one is level, two are a hairpin */
  readonly dynamics: readonly (Dynamic | number)[];
  readonly attack: Attack;
  /** silence after it, beats */
  readonly rest?: number;
}

export interface Family {
  readonly id: string;
  readonly stage: Stage;
  readonly tempoBpm: number;
  readonly fields: Fields;
  readonly tones: (values: ExerciseParameters, horn: Instrument) => readonly Tone[];
}

export const number = (min: number, max: number, usual: number) => ({ kind: 'number', min, max, usual }) as const;
export const note = (usual: number) => ({ kind: 'note', usual }) as const;
export const choice = <const T extends string>(options: readonly T[], usual: NoInfer<T>) =>
  ({ kind: 'choice', options, usual }) as const;
export const text = (usual: string) => ({ kind: 'text', usual }) as const;
export const phrase = (usual: string) => ({ kind: 'phrase', usual }) as const;
export const dynamic = (usual: Dynamic) => choice(DYNAMICS, usual);

/** A family whose tones are made from its own fields. `tones` throws a RangeError that names what does not fit. */
export function defineFamily<const F extends Fields>(family: {
  readonly id: string;
  readonly stage: Stage;
  readonly tempoBpm: number;
  readonly fields: F;
  readonly tones: (values: ValuesOf<F>, horn: Instrument) => readonly Tone[];
}): Family {
  const { tones } = family;
  return { ...family, tones: (values, horn) => tones(values as unknown as ValuesOf<F>, horn) };
}

/** Highest written note that can be asked of a horn. */
export function highestNote(horn: Instrument): number {
  return horn.highestKeyedWrittenMidi + ALTISSIMO_REACH_SEMITONES;
}

/**
 * The score of an exercise of a family: its tones one after the other.
 * @throws NotPlayable, PhraseError or NoSourceError (all RangeErrors) naming what does not fit
 */
export function scoreOf(family: Family, parameters: ExerciseParameters): Score {
  const horn = instrumentById(parameters.instrumentId);
  inLimits('tempoBpm', parameters.tempoBpm, TEMPO_RANGE_BPM.min, TEMPO_RANGE_BPM.max);
  for (const [name, field] of Object.entries(family.fields)) check(name, field, parameters[name], horn);
  let beat = 0;
  const tones = family.tones(parameters, horn);
  if (tones.length === 0) throw new NotPlayable({ reason: 'empty', path: family.id }, `${family.id} has no tone`);
  const steps = tones.map((tone): Step => {
    const { note: fingeredMidi, partial: partialNumber = 1 } = tone;
    const soundedMidi = fingeredMidi + partialSemitones(partialNumber);
    onHorn('note', fingeredMidi, horn);
    onHorn('note', soundedMidi, horn);
    const startBeat = beat;
    beat += tone.beats + (tone.rest ?? 0);
    return {
      startBeat,
      beats: tone.beats,
      fingeredMidi,
      partialNumber,
      soundedMidi,
      dynamics: points(tone),
      attack: tone.attack,
      ...marks(tone),
    };
  });
  return {
    family: family.id,
    instrumentId: parameters.instrumentId,
    tempoBpm: parameters.tempoBpm,
    countInBeats: 4,
    beatsPerBar: 4,
    partialTuning: (parameters['tuning'] as PartialTuning | undefined) ?? 'tempered',
    tunerHidden: parameters.tunerHidden,
    steps,
  };
}

/** What a step is besides a plain tone. */
function marks({ pair, octaveKey, hum, bendCents, freePitch }: Tone) {
  return {
    ...(pair && { pair }),
    ...(octaveKey && { octaveKey }),
    ...(hum && { hum }),
    ...(bendCents && { bendCents }),
    ...(freePitch && { freePitch }),
  };
}

function points({ dynamics, beats }: Tone): DynamicPoint[] {
  const gaps = Math.max(1, dynamics.length - 1);
  return dynamics.map((one, i): DynamicPoint => {
    const beat = (i * beats) / gaps;
    if (typeof one === 'string') return { beat, dynamic: one };
    return { beat, dynamic: nearestTo(one), position: one };
  });
}

function nearestTo(position: number): Dynamic {
  const away = (one: Dynamic) => Math.abs(dynamicPosition(one) - position);
  return DYNAMICS.reduce((best, one) => (away(one) < away(best) ? one : best));
}

function check(name: string, field: Field, value: unknown, horn: Instrument): void {
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

function inLimits(name: string, value: unknown, min: number, max: number): void {
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

function onHorn(path: string, midi: number, horn: Instrument): void {
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

/** How the target of overtones is tuned, as a field of a family. */
export const tuning = choice(['tempered', 'natural', 'free'], 'tempered');

/** @throws RangeError when the first dynamic is not softer than the second */
export function softerThan(softest: Dynamic, loudest: Dynamic): void {
  if (dynamicPosition(softest) >= dynamicPosition(loudest))
    throw new NotPlayable({ reason: 'order', path: 'softest' }, 'softest must be softer than loudest');
}

/** `count` items made from their index. */
export function series<T>(count: number, item: (index: number) => T): T[] {
  return Array.from({ length: count }, (_, i) => item(i));
}
