import { scoreOf, TEMPO_RANGE_BPM, breathBudget, type ExerciseParameters } from '@inner-hum/core/exercise';
import { DYNAMICS, dynamicPosition, zoneOf, type Dynamic, type Zone } from '@inner-hum/core/theory';
import { breathLimitS, fittedToBreath, type Held } from './breath';
import { familyById } from './catalogue';
import type { Family } from './family';
import { playable } from './nearest';
import { mainNoteOf, type ChangeId, type FieldValues, type Turn } from './teaching';

/** One small step of tempo. */
const TEMPO_STEP = 1.08;
/** Up to so many beats a step of length is one beat, above it two. */
const SHORT_BEATS = 8;
/** Where the horn is easy, written F4 to G5: below it higher is easier, above it lower is. */
const EASY_NOTES = { from: 65, to: 79 } as const;

/** Steps of tempo and of length. */
const OF_THE_BEAT: readonly Turn[] = ['fasterTempo', 'quicker', 'slower', 'longer', 'shorter'];

/** What bounds a step besides the family's own limits. */
export interface Room {
  /** written notes that a goal names: they are not moved */
  readonly goalNotes: readonly number[];
  /** the longest good tone of this player in such an exercise; undefined when none was measured */
  readonly held?: Held;
}

/**
 * The turns that make an exercise easier, the first first: what is easier for the body in the zone of its note. Low notes speak
 * sooner louder or higher, middle ones want less time, high ones are lower and shorter, and never louder. What goes over several
 * notes keeps the order of its family, and so do overtones: their tube is no zone.
 */
export function easierTurns(now: ExerciseParameters): readonly Turn[] {
  const family = familyById(now.family);
  const { easier } = family.teaching;
  if (family.stage === 'overtones' || easier.length === 0) return easier;
  const notes = scoreOf(family, now).steps.map(({ soundedMidi }) => soundedMidi);
  const highest = Math.max(...notes);
  const zone = zoneOf(highest);
  const first = notes.every((midi) => midi === highest) ? EASIER_IN[zone] : [];
  const louder = zone === 'low' || zone === 'middle';
  return [...new Set([...first, ...easier])].filter((turn) => louder || turn !== 'startLouder');
}
const EASIER_IN: Readonly<Record<Zone, readonly Turn[]>> = {
  low: ['startLouder', 'easierNote'],
  middle: ['shorter'],
  palm: ['shorter', 'easierNote'],
  altissimo: ['shorter', 'easierNote'],
};

/** A change of an exercise: what it is called, and the values that differ. */
export interface MadeTurn {
  readonly change: ChangeId;
  readonly values: FieldValues | { readonly tunerHidden: boolean };
}

/**
 * An exercise changed by one small step of one thing; undefined where the step is at its limit, would ask for a longer
 * breath than the player has, or does not play.
 */
export function turned(turn: Turn, now: ExerciseParameters, room: Room): MadeTurn | undefined {
  const family = familyById(now.family);
  // What goes on when it is clear has no beat to be changed.
  if (OF_THE_BEAT.includes(turn) && scoreOf(family, now).clearS !== undefined) return undefined;
  const made = step(turn, now, family, room);
  if (!made) return undefined;
  const limitS = breathLimitS(family, scoreOf(family, now), room.held);
  const asked = { ...now, ...made.values };
  // One partial or note more goes into the same breath.
  const next = turn === 'more' ? fittedIfNeeded(asked, now, family, limitS) : asked;
  const plays = playable(next);
  if (plays.issue) return undefined;
  const breathS = breathBudget(plays.score).longestBreathS;
  if (breathS > limitS + 1e-6 && breathS > breathBudget(scoreOf(family, now)).longestBreathS + 1e-6) return undefined;
  const values = Object.fromEntries(
    Object.entries(next).filter(([name, value]) => !Object.is(value, now[name])),
  ) as FieldValues;
  return { change: made.change, values };
}

function fittedIfNeeded(asked: ExerciseParameters, now: ExerciseParameters, family: Family, limitS: number) {
  const fits = playable(asked).issue === undefined && breathBudget(scoreOf(family, asked)).longestBreathS <= limitS;
  return fits || playable(asked).issue ? asked : { ...fittedToBreath(asked, family, limitS), tempoBpm: now.tempoBpm };
}

function step(turn: Turn, now: ExerciseParameters, family: Family, room: Room): MadeTurn | undefined {
  switch (turn) {
    case 'startLouder':
      return dynamicBy(now, family, 1, beginsLoud(now, family) ? 'fadeLess' : turn);
    case 'softer':
      return dynamicBy(now, family, -1, turn);
    case 'wider':
      return oneDynamic(now, family, 'loudest', 1, turn);
    case 'fasterTempo':
    case 'quicker':
      return tempoTo(now, family, Math.ceil(now.tempoBpm * TEMPO_STEP), turn);
    case 'slower':
      return tempoTo(now, family, Math.floor(now.tempoBpm / TEMPO_STEP), turn);
    case 'hideTuner':
      return now.tunerHidden ? undefined : { change: turn, values: { tunerHidden: true } };
    case 'longer':
    case 'shorter': {
      const beats = Number(now['beats']);
      const by = beats + (turn === 'longer' ? 1 : 0) > SHORT_BEATS ? 2 : 1;
      return numberTo(now, family, 'beats', beats + (turn === 'longer' ? by : -by), turn);
    }
    case 'more':
    case 'fewer': {
      const { amount, amountStep = 1 } = family.teaching;
      if (!amount) return undefined;
      return numberTo(now, family, amount, Number(now[amount]) + (turn === 'more' ? amountStep : -amountStep), turn);
    }
    case 'easierNote':
    case 'harderNote':
      return noteBy(now, family, turn, room);
  }
}

/** Whether the first tone fades: its softest place is not where it starts, but where it ends. */
function beginsLoud(now: ExerciseParameters, family: Family): boolean {
  const { dynamics } = scoreOf(family, now).steps[0]!;
  const place = ({ dynamic, position }: (typeof dynamics)[number]) => position ?? dynamicPosition(dynamic);
  return place(dynamics[0]!) > place(dynamics.at(-1)!);
}

function dynamicBy(now: ExerciseParameters, family: Family, by: 1 | -1, change: ChangeId): MadeTurn | undefined {
  const name = 'softest' in family.fields ? 'softest' : 'dynamic' in family.fields ? 'dynamic' : undefined;
  return name && oneDynamic(now, family, name, by, change);
}

function oneDynamic(
  now: ExerciseParameters,
  family: Family,
  name: string,
  by: 1 | -1,
  change: ChangeId,
): MadeTurn | undefined {
  if (!(name in family.fields)) return undefined;
  const [softest, loudest] = (family.teaching.within?.[name] ?? ['pp', 'ff']) as readonly [Dynamic, Dynamic];
  const place = DYNAMICS.indexOf(now[name] as Dynamic) + by;
  const next = DYNAMICS[place];
  const within = by < 0 ? place >= DYNAMICS.indexOf(softest) : place <= DYNAMICS.indexOf(loudest);
  return next && within ? { change, values: { [name]: next } } : undefined;
}

function tempoTo(now: ExerciseParameters, family: Family, bpm: number, change: ChangeId): MadeTurn | undefined {
  const [min, max] = (family.teaching.within?.['tempoBpm'] ?? [TEMPO_RANGE_BPM.min, TEMPO_RANGE_BPM.max]) as readonly [
    number,
    number,
  ];
  const tempoBpm = change === 'slower' ? Math.max(min, bpm) : Math.min(max, bpm);
  const moves = change === 'slower' ? tempoBpm < now.tempoBpm : tempoBpm > now.tempoBpm;
  return moves ? { change, values: { tempoBpm } } : undefined;
}

function numberTo(
  now: ExerciseParameters,
  family: Family,
  name: string,
  value: number,
  change: ChangeId,
): MadeTurn | undefined {
  const field = family.fields[name];
  if (field?.kind !== 'number') return undefined;
  const [min, max] = (family.teaching.within?.[name] ?? [field.min, field.max]) as readonly [number, number];
  const within = value > Number(now[name]) ? value <= max : value >= min;
  return within ? { change, values: { [name]: value } } : undefined;
}

/** Low notes are easier higher, high ones lower; in the middle of the horn no semitone is easier. */
function noteBy(
  now: ExerciseParameters,
  { teaching }: Family,
  turn: 'easierNote' | 'harderNote',
  { goalNotes }: Room,
): MadeTurn | undefined {
  const written = mainNoteOf(teaching, now);
  if (written === undefined || goalNotes.includes(written)) return undefined;
  const side = written < EASY_NOTES.from ? 1 : written > EASY_NOTES.to ? -1 : 0;
  if (side === 0) return undefined;
  const by = turn === 'easierNote' ? side : -side;
  return { change: by > 0 ? 'higherNote' : 'lowerNote', values: { [teaching.mainNote!]: written + by } };
}
