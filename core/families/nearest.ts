import { DYNAMICS, instrumentById, isHornId, type Instrument } from '@inner-hum/core/theory';
import {
  highestNote,
  NoSourceError,
  NotPlayable,
  PhraseError,
  TEMPO_RANGE_BPM,
  type ExerciseIssue,
  type ExerciseParameters,
  type Field,
  type Score,
} from '@inner-hum/core/exercise';
import { exerciseScore, familyById, familyIfKnown } from './catalogue';
import { isFree } from './catalogue/freePlay';

/** A field that had to be set otherwise so that the exercise plays. */
export interface FieldChange {
  readonly field: string;
  readonly from: unknown;
  readonly to: number | string | boolean;
}

/** An exercise that plays: the chosen one, or the nearest to it with what stood in the way and what was changed. */
export interface PlayableExercise {
  readonly exercise: ExerciseParameters;
  readonly score: Score;
  /** undefined when the chosen exercise plays as it is */
  readonly issue: ExerciseIssue | undefined;
  readonly changes: readonly FieldChange[];
}

/** Bounds of what a stored or sent exercise may hold, whatever its family allows today. */
const STORED = { longestText: 2000, largest: 1e4, highestMidi: 127 };

/**
 * Whether a value from outside is an exercise of a family and a horn that are known: each field that is there of its own
 * kind, within bounds that nothing breaks on. It need not be playable as it is: {@link playable} says what is nearest.
 */
export function isExercise(value: unknown): value is ExerciseParameters {
  return isPlayed(value) && !isFree(value);
}

/** The same of what a take may have played: free play is kept besides, though nobody asks for it. */
export function isPlayed(value: unknown): value is ExerciseParameters {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
  const { family: id, instrumentId, tempoBpm, tunerHidden, ...rest } = value as Record<string, unknown>;
  const family = familyIfKnown(id);
  if (!family || !isHornId(instrumentId)) return false;
  if (!isNumber(tempoBpm) || tempoBpm <= 0 || typeof tunerHidden !== 'boolean') return false;
  const fields: Readonly<Record<string, Field>> = family.fields;
  return Object.entries(rest).every(([name, one]) => {
    const kind = Object.hasOwn(fields, name) ? fields[name]!.kind : undefined;
    if (kind === 'note') return isNumber(one) && Number.isInteger(one) && one >= 0 && one <= STORED.highestMidi;
    if (kind === 'number') return isNumber(one);
    if (kind === undefined) return isNumber(one) || typeof one === 'boolean' || isText(one);
    return isText(one);
  });
}

const isNumber = (value: unknown): value is number =>
  typeof value === 'number' && Number.isFinite(value) && Math.abs(value) <= STORED.largest;
const isText = (value: unknown) => typeof value === 'string' && value.length <= STORED.longestText;

type Value = number | string | boolean;
type Tried = { readonly score: Score } | { readonly issue: ExerciseIssue };

/** What it costs to set another choice or text, against 1 for the whole span of a number or of the horn. Our choice. */
const OTHER_CHOICE = 0.5;
const OTHER_TEXT = 2;

const known = new WeakMap<ExerciseParameters, PlayableExercise>();

/**
 * The exercise itself where it plays, else the nearest that does: each field within its own limits, then one field changed
 * as little as possible (of a number's or the horn's span), else as many chosen fields as play together. The same object
 * gives the same answer object.
 * @throws RangeError for a family or a horn that there is none of
 */
export function playable(chosen: ExerciseParameters): PlayableExercise {
  const before = known.get(chosen);
  if (before) return before;
  const found = search(chosen);
  known.set(chosen, found);
  return found;
}

/** The score of an exercise, or what stands in its way. */
export function tryScore(exercise: ExerciseParameters): Tried {
  try {
    return { score: exerciseScore(exercise) };
  } catch (error) {
    const issue = issueOf(error);
    if (!issue) throw error;
    return { issue };
  }
}

function issueOf(error: unknown): ExerciseIssue | undefined {
  if (error instanceof NotPlayable) return error.issue;
  if (error instanceof PhraseError) return { reason: 'phrase', path: 'phrase', word: error.word, why: error.reason };
  if (error instanceof NoSourceError) return { reason: 'noSource', path: 'phrase', midi: error.midi };
  return undefined;
}

function search(chosen: ExerciseParameters): PlayableExercise {
  const asChosen = tryScore(chosen);
  if ('score' in asChosen) return { exercise: chosen, score: asChosen.score, issue: undefined, changes: [] };
  const horn = instrumentById(chosen.instrumentId);
  const fields = fieldsOf(chosen.family);
  const fitted: ExerciseParameters = {
    ...chosen,
    tunerHidden: chosen.tunerHidden === true,
    ...Object.fromEntries(fields.map(([name, field]) => [name, within(field, chosen[name], horn)])),
  };
  const result = plays(fitted) ?? oneFieldOff(fitted, fields, horn) ?? manyFieldsOff(fitted, fields);
  const changes = ['tunerHidden', ...fields.map(([name]) => name)].flatMap((name): FieldChange[] =>
    Object.is(chosen[name], result.exercise[name])
      ? []
      : [{ field: name, from: chosen[name], to: result.exercise[name]! }],
  );
  return { ...result, issue: asChosen.issue, changes };
}

type Plays = Pick<PlayableExercise, 'exercise' | 'score'>;

function plays(exercise: ExerciseParameters): Plays | undefined {
  const tried = tryScore(exercise);
  return 'score' in tried ? { exercise, score: tried.score } : undefined;
}

function fieldsOf(familyId: string): [string, Field][] {
  const { fields, tempoBpm } = familyById(familyId);
  return [...Object.entries(fields), ['tempoBpm', { kind: 'number', ...TEMPO_RANGE_BPM, usual: tempoBpm }]];
}

/** A value of a field within the field's own limits; what is none of its kind becomes what is usual. */
function within(field: Field, value: unknown, horn: Instrument): Value {
  if (field.kind === 'choice') return field.options.includes(value as string) ? (value as string) : field.usual;
  if (field.kind === 'text' || field.kind === 'phrase') return typeof value === 'string' ? value : field.usual;
  const [min, max] = limitsOf(field, horn);
  const number = typeof value === 'number' && !Number.isNaN(value) ? value : field.usual;
  return Math.min(max, Math.max(min, Math.round(number)));
}

function limitsOf(field: Extract<Field, { kind: 'number' | 'note' }>, horn: Instrument): readonly [number, number] {
  return field.kind === 'number' ? [field.min, field.max] : [horn.lowestWrittenMidi, highestNote(horn)];
}

/** The cheapest change of a single field after which the exercise plays. */
function oneFieldOff(
  exercise: ExerciseParameters,
  fields: readonly [string, Field][],
  horn: Instrument,
): Plays | undefined {
  const candidates = fields.flatMap(([name, field]) =>
    valuesOf(field, exercise[name]!, horn).map(({ value, cost }) => ({ name, value, cost })),
  );
  for (const { name, value } of candidates.sort((a, b) => a.cost - b.cost)) {
    const found = plays({ ...exercise, [name]: value });
    if (found) return found;
  }
  return undefined;
}

/** Every other value a field can take, with what it costs to go there. */
function valuesOf(field: Field, now: Value, horn: Instrument): { readonly value: Value; readonly cost: number }[] {
  if (field.kind === 'text' || field.kind === 'phrase') return [{ value: field.usual, cost: OTHER_TEXT }];
  if (field.kind === 'choice') {
    const steps = (option: string) => Math.abs(field.options.indexOf(option) - field.options.indexOf(now as string));
    const isDynamic = field.options.every((option) => (DYNAMICS as readonly string[]).includes(option));
    return field.options
      .filter((option) => option !== now)
      .map((value) => ({ value, cost: isDynamic ? steps(value) / field.options.length : OTHER_CHOICE }));
  }
  const [min, max] = limitsOf(field, horn);
  return Array.from({ length: max - min + 1 }, (_, i) => min + i)
    .filter((value) => value !== now)
    .map((value) => ({ value, cost: Math.abs(value - Number(now)) / (max - min) }));
}

/** What is usual of the family on its horn, with every chosen field that still lets it play. */
function manyFieldsOff(exercise: ExerciseParameters, fields: readonly [string, Field][]): Plays {
  const horn = instrumentById(exercise.instrumentId);
  let best: Plays | undefined = plays({
    ...exercise,
    ...Object.fromEntries(fields.map(([name, field]) => [name, within(field, field.usual, horn)])),
  });
  for (const [name] of fields) {
    const value = exercise[name];
    if (best && value !== undefined) best = plays({ ...best.exercise, [name]: value }) ?? best;
  }
  if (!best) throw new RangeError(`${exercise.family} does not play as usual on ${exercise.instrumentId}`);
  return best;
}
