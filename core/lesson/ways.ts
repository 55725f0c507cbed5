import { familyById, FAMILIES, type Family } from '@inner-hum/core/families';
import { zoneOf } from '@inner-hum/core/theory';
import { forNeed, inTurn, noteOf, overtoneReason, plannable } from './candidates';
import { made, type Candidate } from './made';
import { dayNumber } from '../history/days';
import { slotOf, type Slot } from './lesson';
import type { Digest } from '../history/digest';
import type { Need } from '../map/needs';
import type { PlanFor } from './planFor';
import type { Reason } from './session';
import type { Standing } from './standing';

/** So many of the largest needs are kept up. */
export const KEPT_NEEDS = 3;
const NEGLECTED_SESSIONS = 2;
/** Between two sessions of a day lies at least so much. */
const SESSION_GAP_MS = 2 * 3_600_000;

/** What tunes or measures is no exercise to be learnt. */
export const isCheck = (family: Family): boolean => ['measure', 'tune'].includes(slotOf(family));

export const noteOfTake = ({ family, parameters }: Digest): number =>
  noteOf({ family: familyById(family), exercise: parameters });

/** The takes of a day's last session. */
function sessionAtEnd(takes: readonly Digest[]): readonly Digest[] {
  const inTime = [...takes].sort((a, b) => a.startedAtMs - b.startedAtMs);
  const begins = inTime.findLastIndex(
    ({ startedAtMs }, i) => i > 0 && startedAtMs - inTime[i - 1]!.startedAtMs > SESSION_GAP_MS,
  );
  return inTime.slice(Math.max(0, begins));
}

/** What a player could do for a need, in overtones, on plain tones and by turns, and why: what every part of a lesson draws on. */
export class Ways {
  /** takes of the session before this one, today or on an earlier day */
  readonly lastSession: readonly Digest[];

  constructor(
    protected readonly plan: PlanFor,
    protected readonly standing: Standing,
  ) {
    const today = plan.recent.filter(({ day }) => day === plan.day);
    this.lastSession = sessionAtEnd(today.length > 0 ? today : (standing.days.at(-1)?.takes ?? []));
  }

  isNew(family: Family): boolean {
    return !isCheck(family) && !this.standing.progress.has(family.id) && !this.standing.knows(family);
  }

  /** In how many of the last so many sessions something was done for one of some needs. */
  protected timesWorked(wanted: readonly Need[], sessions: number): number {
    const notes = new Set(wanted.map(({ midi }) => midi));
    return this.standing.days.slice(-sessions).filter(({ takes }) => takes.some((take) => notes.has(noteOfTake(take))))
      .length;
  }

  /** The largest needs that were left alone for two sessions: whatever the week is about, they are not forgotten. */
  protected neglected(): Candidate[] {
    return this.standing.groups
      .slice(0, KEPT_NEEDS)
      .filter(({ needs }) => this.timesWorked(needs, NEGLECTED_SESSIONS) === 0)
      .flatMap(({ needs }) => this.oneWay(needs) ?? []);
  }

  /** The first exercise for some needs in a family that the player knows; else the first of all. */
  protected oneWay(wanted: readonly Need[]): Candidate | undefined {
    const ways = this.alternating(wanted);
    return ways.find(({ family }) => !this.isNew(family)) ?? ways[0];
  }

  /** Needs with their exercises: the way that each is worked on first, then the others. */
  protected alternating(wanted: readonly Need[]): Candidate[] {
    const each = wanted.map((need) => forNeed(need, this.plan, this.standing, this.isTheme(need)));
    return [...each.flatMap((ways) => ways.slice(0, 1)), ...each.flatMap((ways) => ways.slice(1))];
  }

  protected isTheme({ reason, midi }: Need): boolean {
    const { theme } = this.standing;
    return theme.kind === 'need' && theme.reason === reason && theme.zone === zoneOf(midi);
  }

  /** Plain tones on some notes: as a note that is out of tune is worked on, so many ways of it. */
  protected plain(midis: readonly number[], why: (midi: number) => Reason, ways = 2): Candidate[] {
    return midis.flatMap((midi) =>
      plannable(this.plan)
        .flatMap((family) => {
          const values = family.teaching.planned!.meets?.({ midi, reason: 'pitch' });
          return values ? (this.made(family, values, why(midi)) ?? []) : [];
        })
        .slice(0, ways),
    );
  }

  /** Exercises in overtones, the growing one of every second session first, then what was away longest. */
  protected overtones(mayBeNew: (family: Family) => boolean): Candidate[] {
    const { plan, standing } = this;
    const own = plannable(plan).filter(
      (family) => family.stage === 'overtones' && (!this.isNew(family) || mayBeNew(family)),
    );
    const sorted = this.longestAway(own);
    const turn = standing.days.length % 2 === 0 ? [...own.slice(0, 1), ...sorted] : sorted;
    const why = (family: Family) => (midi: number, exercise: Candidate['exercise']) =>
      overtoneReason(exercise, plan, standing) ?? this.why(family, midi);
    return turn.flatMap((family) => this.turn(family, why(family)) ?? []);
  }

  /** Families that the player knows, the one that was away longest first. */
  protected rounds(): Candidate[] {
    const own = plannable(this.plan).filter(
      (family) => !this.isNew(family) && !isCheck(family) && slotOf(family) !== 'music',
    );
    return this.longestAway(own).flatMap((family) => this.turn(family, (midi) => this.why(family, midi)) ?? []);
  }

  protected longestAway(families: readonly Family[]): Family[] {
    const last = ({ id }: Family) => this.standing.progress.get(id)?.days.at(-1) ?? '';
    return [...families].sort((a, b) => (last(a) < last(b) ? -1 : last(a) > last(b) ? 1 : 0));
  }

  /** Why a family comes that nothing asks for. */
  protected why(family: Family, midi: number): Reason {
    if (this.isNew(family)) return { kind: 'new', midi };
    if (this.standing.knows(family)) return this.keeping(midi);
    const lastDay = this.standing.progress.get(family.id)?.days.at(-1);
    return {
      kind: 'round',
      midi,
      ...(lastDay !== undefined && { days: dayNumber(this.plan.day) - dayNumber(lastDay) }),
    };
  }

  protected keeping(midi: number): Reason {
    const { theme } = this.standing;
    return theme.kind === 'start' ? { kind: 'start', midi } : { kind: 'keeps', midi, about: theme };
  }

  protected about(): { readonly about?: Standing['theme'] } {
    const { theme } = this.standing;
    return theme.kind === 'start' ? {} : { about: theme };
  }

  protected inSlot(slot: Slot, values: Parameters<typeof made>[1], reason: Reason): Candidate | undefined {
    const family = (FAMILIES as readonly Family[]).find((one) => slotOf(one) === slot);
    return family && this.made(family, values, reason);
  }

  protected turn(
    family: Family,
    reasonOf: (midi: number, exercise: Candidate['exercise']) => Reason,
  ): Candidate | undefined {
    return inTurn(family, this.plan, this.standing, reasonOf);
  }

  protected made(family: Family, values: Parameters<typeof made>[1], reason: Reason): Candidate | undefined {
    return made(family, values, reason, this.plan, this.standing);
  }
}
