import { exerciseKey, familyById, type GoalKind } from '@inner-hum/core/families';
import { isSecure } from '@inner-hum/core/judge';
import { limitOf } from '@inner-hum/core/measure';
import { sourceKey, zoneOf } from '@inner-hum/core/theory';
import type { Goal } from './aims';
import { noteOf } from './candidates';
import { dayNumber } from '../history/days';
import type { Digest } from '../history/digest';
import { altissimoReady } from '../map/frontier';
import { knownValue } from '../history/estimate';
import { ofNote } from '../map/hornMap';
import { nextGoal } from './load';
import { needs } from '../map/needs';
import type { PlanFor } from './planFor';

/** When each milestone of a goal is due, as shares of the days from its beginning. */
const DUE = [0.25, 0.5, 0.75, 1] as const;

/** A passage that can't be ready by its day is wanted so much slower. */
const SLOWER = 0.85;

/** How far a goal has come. */
export interface GoalProgress {
  /** milestones that are reached, in their order, of four */
  readonly reached: number;
  /** of four, how many should be by now */
  readonly due: number;
  /** whether its day can hardly be met: two milestones behind, or one in the last quarter */
  readonly behind: boolean;
  /** the next smaller goal, where it is behind and there is one */
  readonly smaller: Goal | undefined;
}

/** How far a goal has come by its milestones; `from` is the day on which the work for it began, yyyy-mm-dd. */
export function goalProgress(goal: Goal, from: string, plan: PlanFor): GoalProgress {
  const steps = STEPS[goal.kind](goal, plan);
  const open = steps.findIndex((step) => !step);
  const reached = open < 0 ? steps.length : open;
  const whole = Math.max(1, dayNumber(goal.by) - dayNumber(from));
  const share = (dayNumber(plan.day) - dayNumber(from)) / whole;
  const due = DUE.filter((at) => share >= at).length;
  const behind = due - reached >= 2 || (share >= DUE[2] && due > reached);
  return { reached, due, behind, smaller: behind ? smallerThan(goal) : undefined };
}

/** The goal that is worked on now: the next one, or the one after it where that has come all the way before its day. */
export function goalNow(plan: PlanFor): Goal | undefined {
  const next = nextGoal(plan);
  if (!next || next.by === plan.day) return next;
  return nextGoal(plan, (goal) => !STEPS[goal.kind](goal, plan).every(Boolean)) ?? next;
}

type Steps = (goal: Goal, plan: PlanFor) => readonly boolean[];

/** The four milestones of each kind, each measured. Our choice. */
const STEPS: Readonly<Record<GoalKind, Steps>> = {
  highNote: ({ midi }, { recent, sources }) => [
    altissimoReady(sources),
    recent.some(
      ({ parameters, decision }) =>
        Number(parameters['bendCents'] ?? 0) >= 150 && parameters['direction'] !== 'up' && decision === 'harder',
    ),
    spoke(midi, recent, () => true, 6) >= 3,
    takesOn(midi, recent).some(({ decision, holds }) => decision === 'harder' && holds.some(({ holdS }) => holdS >= 4)),
  ],
  softLowEntry: ({ midi }, { recent }) => [
    spoke(midi, recent, (band) => band === 'medium', 6) >= 5,
    spoke(midi, recent, (band) => band === 'soft', 6) >= 3,
    spoke(midi, recent, (band) => band === 'soft', 6) >= 5,
    isSecure(takesOn(midi, recent)),
  ],
  longTone: ({ midi }, { recent }) => {
    const longest = Math.max(0, ...takesOn(midi, recent).flatMap(({ holds }) => holds.map(({ holdS }) => holdS)));
    return [10, 14, 18, 22].map((seconds) => longest >= seconds);
  },
  subtone: ({ midi }, { recent }) => {
    const own = recent.filter(({ family }) => familyById(family).teaching.aims?.includes('subtone'));
    const held = own.filter(({ decision }) => decision === 'harder');
    const here = takesOn(midi, own);
    return [
      held.length > 0,
      here.some(({ decision }) => decision === 'harder'),
      here.slice(-4).filter(({ decision }) => decision === 'harder').length >= 3,
      isSecure(here),
    ];
  },
  softIntonation: ({ midi }, { notes }) => {
    const note = notes.find((one) => one.midi === midi);
    const cents = note && knownValue(ofNote(note, 'pitchCentreCents', 'soft'));
    return [2.5, 2, 1.5, 1].map(
      (times) => cents !== undefined && Math.abs(cents) <= times * limitOf('pitchCentreCents', 'firm'),
    );
  },
  evenZone: ({ midi }, { notes, instrumentId }) => {
    const zone = zoneOf(midi);
    const known = notes.filter((note) => zoneOf(note.midi) === zone).length;
    const out = needs(notes, instrumentId).filter((need) => zoneOf(need.midi) === zone).length;
    return [0.6, 0.4, 0.2, 0].map((share) => known >= 3 && out <= share * known);
  },
  passage: ({ exercise }, { recent }) => {
    if (!exercise) return [];
    const key = exerciseKey(exercise);
    const takes = recent.filter(({ parameters }) => exerciseKey(parameters) === key);
    const well = (of: readonly Digest[]) => of.filter(({ decision }) => decision === 'harder').length;
    return [
      takes.length >= 3,
      well(takes) >= 1,
      well(takes.slice(-4)) >= 3,
      isSecure(takes.filter(({ parameters }) => parameters.tempoBpm >= exercise.tempoBpm)),
    ];
  },
  partial: ({ midi, partial = 3 }, { sources }) => {
    const right = (of: number) =>
      sources.get(sourceKey({ fingeredMidi: midi, partialNumber: of }))?.tries ?? { got: 0, of: 0 };
    const under = right(partial - 1);
    const own = right(partial);
    return [
      partial === 2 || (under.of >= 6 && under.got >= 4),
      own.got >= 3,
      own.got >= 6,
      own.of >= 12 && own.got >= 8,
    ];
  },
};

function takesOn(midi: number, recent: readonly Digest[]): Digest[] {
  return recent.filter(
    ({ family, parameters }) => noteOf({ family: familyById(family), exercise: parameters }) === midi,
  );
}

/** Of the last so many starts of a note, how many spoke. */
function spoke(midi: number, recent: readonly Digest[], inBand: (band: string) => boolean, last: number): number {
  const tries = recent.flatMap(({ seen }) =>
    seen.filter((one) => one.midi === midi && one.tried && one.partial === 1 && inBand(one.band)),
  );
  return tries.slice(-last).filter((one) => one.spoke).length;
}

/** The same kind of goal, one step nearer to what is there. */
function smallerThan(goal: Goal): Goal | undefined {
  if (goal.kind === 'partial')
    return (goal.partial ?? 3) > 2 ? { ...goal, partial: (goal.partial ?? 3) - 1 } : undefined;
  if (goal.exercise) {
    const tempoBpm = Math.round(SLOWER * goal.exercise.tempoBpm);
    return { ...goal, exercise: { ...goal.exercise, tempoBpm } };
  }
  if (goal.kind === 'highNote') return { ...goal, midi: goal.midi - 1 };
  return goal.kind === 'softLowEntry' || goal.kind === 'subtone' ? { ...goal, midi: goal.midi + 1 } : undefined;
}
