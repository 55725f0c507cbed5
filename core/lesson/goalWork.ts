import { familyById } from '@inner-hum/core/families';
import { zoneOf } from '@inner-hum/core/theory';
import type { Goal } from './aims';
import { forGoal, inTurn, isFound, playerNow, plannable } from './candidates';
import { dayNumber } from '../history/days';
import { goalNow } from './goalSteps';
import { made, type Candidate } from './made';
import type { PlanFor } from './planFor';
import type { Reason } from './session';
import type { Standing } from './standing';

/** A note that was tried on three days without being found is stepped over. */
const STUCK_DAYS = 3;
/** Share of the days from which on the goal's own note is tried. */
const OWN_NOTE_FROM = 0.6;
/** The notes under an altissimo one. */
const UNDER = [86, 88, 89];

/** What the goal of these weeks is worked on with, the most wanted first; nothing where there is none. */
export function goalWork(plan: PlanFor, standing: Standing): Candidate[] {
  const goal = goalNow(plan);
  if (!goal) return [];
  if (goal.kind !== 'highNote' || zoneOf(goal.midi) !== 'altissimo') return forGoal(goal, plan, standing);
  const daysLeft = dayNumber(goal.by) - dayNumber(plan.day);
  const why: Reason = { kind: 'goal', goal: goal.kind, midi: goal.midi, daysLeft };
  const under = UNDER.flatMap((midi) => made(familyById('hold'), { writtenMidi: midi }, why, plan, standing) ?? []);
  const bends = plannable(plan)
    .filter(({ teaching }) => teaching.planned?.readiesAltissimo)
    .flatMap((family) => inTurn(family, plan, standing, () => why) ?? []);
  if (!standing.altissimoReady) return [...bends, ...under];
  const own = isFound(goal.midi, plan.recent) ? forGoal(goal, plan, standing) : [];
  return [...own, ...trials(goal, why, plan, standing), ...bends, ...under];
}

/** Fingerings on trial, note by note up to the goal; what is stuck is stepped over, and in good time the goal's own note comes. */
function trials(goal: Goal, why: Reason, plan: PlanFor, standing: Standing): Candidate[] {
  const family = familyById('fingeringTrial');
  const { since = plan.firstDay ?? plan.day } = goal;
  const whole = Math.max(1, dayNumber(goal.by) - dayNumber(since));
  const isLate = dayNumber(plan.day) - dayNumber(since) >= OWN_NOTE_FROM * whole;
  const daysOn = (midi: number) =>
    new Set(
      plan.recent.filter((take) => take.fingering && take.seen.some((one) => one.midi === midi)).map(({ day }) => day),
    ).size;
  const passed = (midi: number) =>
    isLate ? midi !== goal.midi : isFound(midi, plan.recent) || daysOn(midi) >= STUCK_DAYS;
  const now = playerNow(family, plan, standing);
  // Of the notes that were passed over the goal itself is left at the end.
  const values =
    family.teaching.planned?.turn?.({ ...now, found: (midi) => midi > goal.midi || passed(midi) }) ??
    family.teaching.planned?.turn?.({ ...now, found: (midi) => midi !== goal.midi });
  return values ? [made(family, values, why, plan, standing) ?? []].flat() : [];
}
