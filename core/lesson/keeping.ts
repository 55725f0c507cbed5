import { exerciseKey, familyById, type Family } from '@inner-hum/core/families';
import { isSecure } from '@inner-hum/core/judge';
import { again, forGoal, forSeams, plannable } from './candidates';
import { type Candidate } from './made';
import { dayNumber } from '../history/days';
import { slotOf } from './lesson';
import { goalNow } from './goalSteps';
import { isDue } from '../history/progress';
import { isCheck, KEPT_NEEDS, noteOfTake, Ways } from './ways';
import type { Digest } from '../history/digest';

/** One of the largest needs is worked on in so many of so many sessions before this one. */
const NEED_IN = { sessions: 4, times: 3 } as const;
/** What is secure is kept up when it was not played for so many days. */
const KEEP_UP_DAYS = 4;
/** What a family that was away gains in weight: a point for so many days, up to so many. */
const AWAY = { aPoint: 10, most: 70, mostNew: 45 } as const;
/** In a session of so many minutes what only keeps is there twice running. */
const GOES_ON_FROM_MIN = 45;
/** How much each thing is wanted among what only keeps: what is due, overtones that were not there last time … Our choice. */
const WEIGHT = {
  overtonesDue: 9,
  settles: 8.5,
  goesOn: 5.5,
  goalDue: 5,
  need: 7.5,
  aTime: 1,
  new: 3.3,
  overtones: 2.5,
  seam: 2.2,
  needKept: 2,
  secure: 1.5,
  goal: 1,
  round: 1,
} as const;

/** What keeps and widens what a player can do, the most wanted first. */
export class Keeping extends Ways {
  /**
   * What is due, what was away and what is new, by weight.
   *
   * @param has whether a family is in the lesson already
   * @param mayBeNew whether a family that is new may come today
   */
  wanted(has: (family: Family) => boolean, mayBeNew: (family: Family) => boolean): Candidate[] {
    const { plan, standing } = this;
    const weighed: { readonly candidate: Candidate; readonly weight: number }[] = [];
    const add = (weight: number, ...candidates: readonly (Candidate | undefined)[]) => {
      for (const candidate of candidates) if (candidate) weighed.push({ candidate, weight });
    };
    const had = this.lastSession.some(({ family }) => familyById(family).stage === 'overtones');
    add(had ? WEIGHT.overtones : WEIGHT.overtonesDue, ...this.overtones(mayBeNew).slice(0, 2));
    for (const [id, own] of standing.progress) {
      const family = familyById(id);
      const due = !isCheck(family) && !standing.knows(family) && isDue(own, plan.day) && own.days.at(-1) !== plan.day;
      if (due && !has(family)) add(WEIGHT.settles, this.settles(family, own.days.at(-1)!));
    }
    if (plan.minutes >= GOES_ON_FROM_MIN) add(WEIGHT.goesOn, ...this.onceMore());
    const goal = goalNow(plan);
    if (goal) {
      const worked = this.lastSession.some((take) => noteOfTake(take) === goal.midi);
      add(worked ? WEIGHT.goal : WEIGHT.goalDue, ...forGoal(goal, plan, standing).slice(0, 1));
    }
    for (const { needs } of standing.groups.slice(0, KEPT_NEEDS)) {
      const times = this.timesWorked(needs, NEED_IN.sessions);
      add(times < NEED_IN.times ? WEIGHT.need - WEIGHT.aTime * times : WEIGHT.needKept, this.alternating(needs)[0]);
    }
    add(WEIGHT.new + this.daysOn() / AWAY.aPoint, ...this.news().filter(({ family }) => mayBeNew(family)));
    add(WEIGHT.seam, ...forSeams(plan, standing).slice(0, 2));
    for (const { take, days } of this.secure())
      add(WEIGHT.secure + days / 10, again(take, this.keeping(noteOfTake(take)), plan, standing));
    for (const candidate of this.rounds()) add(WEIGHT.round + this.daysAway(candidate.family) / AWAY.aPoint, candidate);
    return weighed.sort((a, b) => b.weight - a.weight).map(({ candidate }) => candidate);
  }

  /** What was in the last session for the first time of late, once more: one settles into it. */
  private onceMore(): Candidate[] {
    const { plan, standing } = this;
    const before = new Set((standing.days.at(-2)?.takes ?? []).map(({ parameters }) => exerciseKey(parameters)));
    const fresh = this.lastSession.filter((take) => {
      const family = familyById(take.family);
      const kept = ['places', 'low', 'overtones'].includes(slotOf(family));
      return kept && family.teaching.planned && !before.has(exerciseKey(take.parameters));
    });
    const each = new Map(fresh.map((take) => [exerciseKey(take.parameters), take]));
    return [...each.values()].flatMap((take) => again(take, this.keeping(noteOfTake(take)), plan, standing) ?? []);
  }

  private settles(family: Family, lastDay: string): Candidate | undefined {
    const { plan, standing } = this;
    const days = dayNumber(plan.day) - dayNumber(lastDay);
    // Which overtone it is about now is not where it was left.
    if (family.stage === 'overtones') return this.turn(family, (midi) => ({ kind: 'settles', midi, days }));
    const last = plan.recent.findLast((take) => take.family === family.id);
    return last && again(last, { kind: 'settles', midi: noteOfTake(last), days }, plan, standing);
  }

  /** Families that the player does not know yet: of the stages of which least is known first. */
  private news(): Candidate[] {
    const { plan, standing } = this;
    const order = plannable(plan).filter((family) => this.isNew(family) && slotOf(family) !== 'music');
    const known = (stage: Family['stage']) =>
      [...standing.progress.keys()].filter((id) => familyById(id).stage === stage).length;
    return [...order]
      .sort((a, b) => known(a.stage) - known(b.stage))
      .flatMap((family) => this.turn(family, (midi) => ({ kind: 'new', midi })) ?? []);
  }

  /** The last take of each exercise that is secure and was not played for some days. */
  private secure(): { readonly take: Digest; readonly days: number }[] {
    const { plan, standing } = this;
    return standing.keys().flatMap((key) => {
      const takes = standing.tries(key).filter(({ day }) => day < plan.day);
      const take = takes.at(-1);
      if (!take || !isSecure(takes)) return [];
      const family = familyById(take.family);
      const days = dayNumber(plan.day) - dayNumber(take.day);
      return family.teaching.planned && !isCheck(family) && days >= KEEP_UP_DAYS ? [{ take, days }] : [];
    });
  }

  /** Days since the first session: what has not come by late in a season is wanted more. */
  private daysOn(): number {
    const { firstDay = this.plan.day, day } = this.plan;
    return Math.min(AWAY.mostNew, dayNumber(day) - dayNumber(firstDay));
  }

  private daysAway({ id }: Family): number {
    const last = this.standing.progress.get(id)?.days.at(-1);
    return last === undefined ? AWAY.most : Math.min(AWAY.most, dayNumber(this.plan.day) - dayNumber(last));
  }
}
