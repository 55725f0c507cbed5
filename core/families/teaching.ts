import type { ExerciseParameters } from '@inner-hum/core/exercise';
import type { Dynamic, Horn } from '@inner-hum/core/theory';

/** How far a player is. Bounds range, partials and dynamics of what is proposed. */
export const LEVELS = ['new', 'home', 'advanced'] as const;
export type Level = (typeof LEVELS)[number];

/** Sides of a tone that a family may leave out of judgement, since they mean nothing in it. */
export type Aspect =
  | 'response'
  | 'timing'
  | 'air'
  | 'peak'
  | 'squeak'
  /** drift and waver of the pitch */
  | 'line'
  | 'slurLevel'
  | 'changeTime'
  /** whether two tones that are to be alike have one colour */
  | 'pairColour'
  /** whether it lasted as long as the score */
  | 'length'
  /** whether its loudness was the written one */
  | 'loudness'
  /** whether a bend went as far down as it is written */
  | 'bendDepth';

/** What only a row of tones shows, or what the family is for: each is judged where a family names it. */
export type Aim =
  /** which way of starting fails */
  | 'ways'
  /** whether the last breaths are as good as the first */
  | 'stamina'
  /** whether changes come evenly */
  | 'changeTimes'
  /** how long it held, and what ended it */
  | 'held'
  /** whether a tone marked so was a subtone */
  | 'subtone'
  /** where a subtone that runs up stops */
  | 'subtoneRun'
  /** how soft the first trace was */
  | 'softest'
  /** one fade over all the tones */
  | 'fadeOver'
  /** how far the colour travelled while the pitch stayed */
  | 'colourTravel'
  /** how near two colours are */
  | 'colourMatch'
  /** whether soft and loud tones had the same pitch */
  | 'softAgainstLoud'
  /** how softly a tone began */
  | 'fromNothing'
  /** the vibrato that was asked for, and none where none was */
  | 'vibrato';

/** What a finding is about; what an exercise is for comes first in its verdict. */
export const TOPICS = ['start', 'line', 'level', 'pitch', 'colour', 'break', 'change', 'time', 'end'] as const;
export type Topic = (typeof TOPICS)[number];

/** Ways to make an exercise easier or harder. */
export const CHANGE_IDS = [
  'startLouder',
  'fadeLess',
  'fasterTempo',
  'higherNote',
  'shorter',
  'fewer',
  'softer',
  'slower',
  'quicker',
  'hideTuner',
  'wider',
  'lowerNote',
  'longer',
  'more',
] as const;
export type ChangeId = (typeof CHANGE_IDS)[number];

/** A way to change an exercise, as a family orders them; towards or away from where the horn is easy. */
export type Turn = Exclude<ChangeId, 'higherNote' | 'lowerNote' | 'fadeLess'> | 'easierNote' | 'harderNote';

/** Sensible limits of a field, narrower than what can be chosen: numbers from–to, dynamics softest–loudest. */
type Within = readonly [number, number] | readonly [Dynamic, Dynamic];

/** What a note wants, as a family is asked about it. */
export interface WantedWork {
  readonly midi: number;
  readonly reason: 'failing' | 'response' | 'pitch' | 'slope' | 'steadiness';
  /** the loudness at which it wants it; left out where it is all one */
  readonly band?: 'soft' | 'medium' | 'loud';
}

/** What a family is told of the player when it is asked for an exercise without a need. */
export interface PlayerNow {
  readonly horn: Horn;
  readonly level: Level;
  /** how often the family was played before: turns the notes */
  readonly turn: number;
  /** the overtone that is to be learnt next */
  readonly frontier: { readonly tubeMidi: number; readonly partial: number };
  /** the octave-key fingering whose twelfth speaks least of those that were tried and fail; undefined while none does */
  readonly stubbornTwelfth: number | undefined;
  /** whether the overtones are there that altissimo grows from */
  readonly altissimoReady: boolean;
  /** whether one fingering of an altissimo note speaks as a rule */
  readonly found: (midi: number) => boolean;
  /** the weakest note of a zone */
  readonly weakest: (zone: 'low' | 'middle' | 'palm') => number;
}

/** Values that an exercise differs in from what is usual. */
export type FieldValues = Readonly<Record<string, number | string>>;

/** What a player works towards. */
export const GOAL_KINDS = [
  'softLowEntry',
  'longTone',
  'highNote',
  'subtone',
  'softIntonation',
  'evenZone',
  'partial',
  'passage',
] as const;
export type GoalKind = (typeof GOAL_KINDS)[number];

/** When the planner may pick a family, and how it is set then. */
interface Planned {
  /** where it stands in a session; by its stage when left out */
  readonly slot?: 'tune' | 'measure' | 'overtones';
  /** from which level on */
  readonly from: Level;
  /** the exercise that works on what a note wants; undefined where it does not */
  readonly meets?: (work: WantedWork) => FieldValues | undefined;
  /** the exercise that works on a step between a note and the next above it */
  readonly seam?: (lower: number) => FieldValues;
  /** which goals it serves, always on their note */
  readonly goals?: Readonly<Partial<Record<GoalKind, (midi: number, partial?: number) => FieldValues>>>;
  /** how it is set as part of a warm-up on some days, whatever its place is else */
  readonly warmsUp?: FieldValues;
  /** altissimo is not played without it before */
  readonly readiesAltissimo?: true;
  /** what a note took from it is looked at cold, the next time */
  readonly leavesCold?: true;
  /** how it is set when nothing asks for it; what is usual when left out; undefined when it can't be now */
  readonly turn?: (player: PlayerNow) => FieldValues | undefined;
}

/** Everything that a family decides besides its tones. */
export interface Teaching {
  /** the note field that it is mainly about */
  readonly mainNote?: string;
  readonly unjudged?: readonly Aspect[];
  readonly aims?: readonly Aim[];
  /** what it is for; that of its stage when left out */
  readonly about?: readonly Topic[];
  /** ways to make it easier and harder, in the order in which they are tried */
  readonly easier: readonly Turn[];
  readonly harder: readonly Turn[];
  /** the field that says how much there is of it, and the size of one step of it (1) */
  readonly amount?: string;
  readonly amountStep?: number;
  readonly within?: Readonly<Record<string, Within>>;
  /** what is asked of a breath before anything is measured, seconds; by the size of the horn when left out */
  readonly firstBreathS?: number;
  /** no step makes a breath longer than this, seconds */
  readonly longestBreathS?: number;
  /** when it may be planned; never when left out */
  readonly planned?: Planned;
}

/** The dynamic of a need: soft p, medium mf, loud f. */
export function dynamicOf(band: WantedWork['band']): Dynamic {
  return band === 'soft' ? 'p' : band === 'loud' ? 'f' : 'mf';
}

/** One of a list, another each turn. */
export function byTurn<T>(list: readonly T[], turn: number): T {
  return list[turn % list.length]!;
}

/** Where a family that goes through the whole horn, so much each time, goes on: steps from its beginning; past the end it begins anew. */
export function keptPlace(turn: number, each: number, span: number): number {
  return (turn % Math.ceil(span / each)) * each;
}

/** The note that an exercise is mainly about; undefined for a family that is about none. */
export function mainNoteOf(teaching: Teaching, exercise: ExerciseParameters): number | undefined {
  return teaching.mainNote === undefined ? undefined : Number(exercise[teaching.mainNote]);
}
