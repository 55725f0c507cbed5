import type { ExerciseParameters } from '@inner-hum/core/exercise';
import {
  familyById,
  FAMILIES,
  LEVELS,
  mainNoteOf,
  playable,
  type Family,
  type FieldValues,
  type PlayerNow,
} from '@inner-hum/core/families';
import { ASSUMED_RULER, lattice, sourceKey } from '@inner-hum/core/theory';
import { dayNumber } from '../history/days';
import type { Digest } from '../history/digest';
import { exerciseForSeam } from './exerciseFor';
import { feedersOf, passageRisks } from './passageRisks';
import type { PlanFor } from './planFor';
import { seams } from '../map/seams';
import type { Goal } from './aims';
import type { Reason } from './session';
import { weakestOf, type Standing } from './standing';
import { type Candidate, SESSIONS_A_TURN, made } from './made';

/** A fingering of an altissimo note is found when it spoke in so many of its last tries. */
const FOUND = { spoke: 6, of: 9 } as const;

/** From pp to ff where a plan is made, dB: a ruler that was measured is the page's. */
const SPAN_DB = ASSUMED_RULER.loudestDb - ASSUMED_RULER.softestDb;

/** Families that the planner may use at all with this player. */
export function plannable({ level }: Pick<PlanFor, 'level'>): readonly Family[] {
  const ready = LEVELS.slice(0, LEVELS.indexOf(level) + 1);
  return FAMILIES.filter(({ teaching }) => teaching.planned && ready.includes(teaching.planned.from));
}

/** The exercises that a goal is worked on with, on its note; a passage itself, then what feeds it, the worst first. */
export function forGoal(goal: Goal, plan: PlanFor, standing: Standing): Candidate[] {
  const daysLeft = dayNumber(goal.by) - dayNumber(plan.day);
  const reason = { kind: 'goal', goal: goal.kind, midi: goal.midi, daysLeft } as const;
  if (goal.exercise) {
    // Whatever was stored, what is planned plays.
    const { exercise: whole, score } = playable({ ...goal.exercise, instrumentId: plan.instrumentId });
    // What feeds it stands before it in a lesson: overtones, tones and slurs come before music.
    return [whole, ...feedersOf(passageRisks(score, plan.notes, plan.instrumentId, SPAN_DB))].flatMap(
      (exercise) => made(familyById(exercise.family), exercise, reason, plan, standing) ?? [],
    );
  }
  return plannable(plan).flatMap((family) => {
    const values = family.teaching.planned!.goals?.[goal.kind]?.(goal.midi, goal.partial);
    const candidate = values && made(family, values, reason, plan, standing);
    return candidate ?? [];
  });
}

/** The exercises that work on the seams of the map. */
export function forSeams(plan: PlanFor, standing: Standing): Candidate[] {
  if (plan.level === LEVELS[0]) return [];
  return seams(plan.notes).flatMap((seam) => {
    const exercise = exerciseForSeam(seam, plan.instrumentId);
    const reason = { kind: 'seam', midi: seam.lower, upper: seam.upper } as const;
    return made(familyById(exercise.family), exercise, reason, plan, standing) ?? [];
  });
}

/** So many turns are looked through for one that the player may have now. */
const TURNS_TRIED = 6;

/**
 * A family as it is set when nothing asks for it; undefined when it can't be now. A turn that the player may not have yet is
 * passed over: turns go on by being played, and one that never is would bar those after it.
 */
export function inTurn(
  family: Family,
  plan: PlanFor,
  standing: Standing,
  reasonOf: (midi: number, exercise: ExerciseParameters) => Reason,
  also: FieldValues = {},
): Candidate | undefined {
  const { planned } = family.teaching;
  const now = playerNow(family, plan, standing);
  for (let ahead = 0; ahead < (planned?.turn ? TURNS_TRIED : 1); ahead++) {
    const values = planned?.turn ? planned.turn({ ...now, turn: now.turn + ahead }) : {};
    if (!values) return undefined;
    const found = made(family, { ...values, ...also }, { kind: 'plain', midi: 67 }, plan, standing);
    if (found) return { ...found, reason: reasonOf(noteOf(found), found.exercise) };
  }
  return undefined;
}

/** Why an overtone exercise is there: the overtone that it is about, with what was right of its last tries. */
export function overtoneReason(
  exercise: ExerciseParameters,
  { sources }: PlanFor,
  { horn }: Standing,
): Reason | undefined {
  const tube = Number(exercise['writtenMidi']);
  const partial = Number(exercise['top'] ?? exercise['partial'] ?? 0);
  const source = lattice(horn).find((one) => one.fingeredMidi === tube && one.partialNumber === partial);
  if (!source || partial < 2) return undefined;
  const own = sources.get(sourceKey(source));
  return {
    kind: 'overtone',
    midi: source.soundedMidi,
    partial,
    ...(own && own.tries.of > 0 && { ...own.tries, growing: own.growing }),
  };
}

/** What a family is told of the player. */
export function playerNow(family: Family, plan: PlanFor, standing: Standing): PlayerNow {
  const played = plan.recent.filter((digest) => digest.family === family.id && digest.day < plan.day);
  return {
    horn: standing.horn,
    level: plan.level,
    turn: Math.floor(new Set(played.map((digest) => digest.day)).size / SESSIONS_A_TURN),
    frontier: standing.frontier,
    stubbornTwelfth: standing.stubbornTwelfth,
    altissimoReady: standing.altissimoReady,
    weakest: (zone) => weakestOf(standing, zone),
    found: (midi) => isFound(midi, plan.recent),
  };
}

/** Whether one fingering of an altissimo note speaks as a rule. */
export function isFound(midi: number, recent: readonly Digest[]): boolean {
  const tries = new Map<string, boolean[]>();
  for (const { fingering, seen } of recent)
    for (const observation of seen)
      if (fingering && observation.midi === midi && observation.tried)
        tries.set(fingering, [...(tries.get(fingering) ?? []), observation.spoke]);
  return [...tries.values()].some((own) => own.slice(-FOUND.of).filter(Boolean).length >= FOUND.spoke);
}

/** The note that a candidate is about. */
export function noteOf({ exercise, family }: Pick<Candidate, 'exercise' | 'family'>): number {
  return mainNoteOf(family.teaching, exercise) ?? 67;
}
