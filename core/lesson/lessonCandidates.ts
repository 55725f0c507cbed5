import { exerciseKey, familyById, type Family, type FieldValues } from '@inner-hum/core/families';
import { isSecure } from '@inner-hum/core/judge';
import { zoneOf } from '@inner-hum/core/theory';
import { inTurn, overtoneReason, plannable } from './candidates';
import { dayNumber } from '../history/days';
import { isDue } from '../history/progress';
import { exerciseS } from './lasts';
import type { Item } from './lessonRules';
import { isNew } from './newness';
import { rangeOf, type LessonState } from './lessonState';
import { made, type Candidate } from './made';
import { pillarOf, pillarOfExercise, pillarsMissed } from './pillars';
import type { PlanFor } from './planFor';
import type { Theme } from './aims';
import { rolesOf, waysOf, type Role } from './roles';
import type { Reason } from './session';
import { slotOf } from './slots';
import type { Standing } from './standing';
import { isReturning, mostWants, type Target } from './targets';
import { tuneAbout } from './tune';

/** A tune stays for two days and is played twice in a try, fast enough for one easy breath, beats a minute. */
const TUNE = { days: 2, twice: 2, bpm: 84 } as const;
/** In every third lesson a new family comes before what is known. */
const NEW_FIRST_EVERY = 3;
/** A kind of work has one block for each 18 minutes, two at least. */
const MINUTES_A_PILLAR = 18;

/** The ways of a role to work on a target, the one whose turn it is first. */
export function waysFor(
  target: Target,
  role: Role,
  { plan, standing }: LessonState,
): (Candidate & Pick<Item, 'target' | 'role'>)[] {
  const { need, reason: kind } = target;
  const why = (midi: number): Reason => ({
    kind,
    midi,
    value: need.value,
    ...(need.band && { band: need.band }),
    ...(need.of !== undefined && { of: need.of }),
    ...(isOfTheme(target, standing.theme) && { theme: true }),
    target: {
      day: target.days.length + 1,
      inside: target.days.filter(({ firstInside }) => firstInside).length,
      ...(!target.isOut && { isIn: true }),
    },
  });
  return waysOf(target, role).flatMap(({ family, values, midi }) => {
    const candidate = plannable(plan).includes(family) && made(family, values, why(midi), plan, standing);
    return candidate ? [{ ...candidate, target, role }] : [];
  });
}

/** Whether a target is what the week is about. */
const isOfTheme = ({ reason, midis }: Target, theme: Theme) =>
  theme.kind === 'need' && theme.reason === reason && theme.midis.includes(midis[0]!);

/** Notes all over the horn, those that are easy first. */
const PLAIN_TONES = [67, 71, 64, 69, 74, 62, 79, 60, 65, 76, 72, 84, 86, 58];
const PLAIN_WAYS = ['hold', 'swell'];

/** Where nothing is known to want anything: plain tones and swells where the horn is easy, each lesson on other notes. */
export function plainTones(target: number, role: number, { plan, standing }: LessonState): Candidate[] {
  const id = PLAIN_WAYS[role];
  if (!id) return [];
  const family = familyById(id);
  const { from, to } = rangeOf(standing);
  const own = PLAIN_TONES.filter((midi) => midi >= from && midi <= to);
  const first = standing.days.length * mostWants(plan.minutes) + target;
  return own.flatMap((_, i) => {
    const midi = own[(first + i) % own.length]!;
    const kind = standing.theme.kind === 'start' ? 'start' : 'plain';
    return made(family, { writtenMidi: midi }, { kind, midi }, plan, standing) ?? [];
  });
}

/** What was secure and is to be looked at again, by the way that belongs to it. */
export function comingBack(state: LessonState): readonly Candidate[] {
  return state.targets
    .filter((target) => isReturning(target, state.plan.day))
    .flatMap((target) => {
      const days = dayNumber(state.plan.day) - dayNumber(target.stateSince);
      const [candidate] = waysFor(target, rolesOf(target)[0]!, state);
      return candidate ? [{ ...candidate, reason: { kind: 'back', midi: candidate.reason.midi, days } as const }] : [];
    });
}

/** Families of the kinds of work that are missed most; each has a few blocks in a lesson at most. */
export function missedMost({ plan, standing }: LessonState, items: readonly Item[]): Candidate[] {
  const sounding = items.map(({ exercise, tries }) => ({ exercise, soundsS: tries * exerciseS(exercise) }));
  const most = Math.max(2, Math.round(plan.minutes / MINUTES_A_PILLAR));
  const had = (kind: ReturnType<typeof pillarOf>) =>
    items.filter(({ part, exercise }) => part === 'pillar' && pillarOfExercise(exercise) === kind).length;
  const last = ({ id }: Family) => standing.progress.get(id)?.days.at(-1) ?? '';
  // What is new comes after what is known, but now and then before it: over a season every family has its time.
  const sign = standing.days.length % NEW_FIRST_EVERY === 0 ? -1 : 1;
  const fresh = (family: Family) => sign * Number(isNew(family, standing));
  const hummed = (family: Family) => Number(family.id === HUMMED && isHumDue(plan, items));
  return pillarsMissed(plan, standing.altissimoReady, sounding)
    .filter((kind) => had(kind) < most)
    .flatMap((kind) =>
      plannable(plan)
        .filter((family) => pillarOf(family) === kind && !items.some((item) => item.family === family))
        .filter((family) => family.stage !== 'overtones' || standing.mayOvertones)
        // What was away longest first.
        .toSorted(
          (a, b) =>
            hummed(b) - hummed(a) || fresh(a) - fresh(b) || (last(a) < last(b) ? -1 : last(a) > last(b) ? 1 : 0),
        ),
    )
    .flatMap((family) => inTurn(family, plan, standing, whyOf(family, plan, standing), onePass(family)) ?? []);
}

/** The ear leads: one of three exercises of overtones is hummed first. */
const HUMMED = 'humFirst';
const HUMMED_OF = 3;

function isHumDue({ recent }: Pick<PlanFor, 'recent'>, items: readonly Item[]): boolean {
  const isOvertones = (family: string) => familyById(family).stage === 'overtones';
  const played = recent
    .map(({ family }) => family)
    .filter((family, i, all) => isOvertones(family) && all[i - 1] !== family);
  const today = items.map(({ family }) => family.id).filter(isOvertones);
  return ![...played, ...today].slice(1 - HUMMED_OF).includes(HUMMED);
}

/** Notes that were matched to their overtones on the last day, played by themselves: what stayed of it. */
export function matchedLastTime({ plan, standing }: LessonState): Candidate[] {
  const last = standing.days.at(-1)?.takes ?? [];
  const matched = last.filter(({ family }) => familyById(family).teaching.planned?.leavesCold);
  const midis = matched.flatMap(({ seen }) => seen.filter(({ partial }) => partial > 1).map(({ midi }) => midi));
  return [...new Set(midis)]
    .filter((midi) => midi <= standing.horn.highestKeyedWrittenMidi)
    .flatMap(
      (writtenMidi) =>
        made(familyById('hold'), { writtenMidi }, { kind: 'cold', midi: writtenMidi }, plan, standing) ?? [],
    );
}

/** What is hard on the lip is a try each time, not a row of them in one. */
function onePass({ stage, fields, teaching }: Family): FieldValues {
  const { repeats } = fields;
  if (!['overtones', 'altissimo'].includes(stage) || repeats?.kind !== 'number') return {};
  return { repeats: Number(teaching.within?.['repeats']?.[0] ?? repeats.min) };
}

/** Why a family comes that no target asks for. */
function whyOf(family: Family, plan: PlanFor, standing: Standing) {
  return (midi: number, exercise: Candidate['exercise']): Reason => {
    const overtone = family.stage === 'overtones' ? overtoneReason(exercise, plan, standing) : undefined;
    if (overtone) return overtone;
    if (isNew(family, standing)) return { kind: 'new', midi };
    // It keeps what was measured to be there, not what was ticked.
    if (isSecure(standing.tries(exerciseKey(exercise)))) return { kind: 'keeps', midi, about: standing.theme };
    const pillar = pillarOfExercise(exercise);
    return pillar ? { kind: 'pillar', midi, pillar } : { kind: 'plain', midi };
  };
}

/** Families that were new some days ago and are due again. */
export function newAndDue({ plan, standing }: LessonState): Candidate[] {
  return [...standing.progress].flatMap(([id, own]) => {
    const family = familyById(id);
    const counts = family.teaching.planned && pillarOf(family) !== undefined && !standing.knows(family);
    if (!counts || !isDue(own, plan.day) || own.days.at(-1) === plan.day) return [];
    const days = dayNumber(plan.day) - dayNumber(own.days.at(-1)!);
    return inTurn(family, plan, standing, (midi) => ({ kind: 'settles', midi, days }), onePass(family)) ?? [];
  });
}

/** Of each zone the note that was not heard for longest. */
export function longestUnheard({ plan, standing }: LessonState): Candidate[] {
  const { from, to } = rangeOf(standing);
  const heardMs = new Map(plan.notes.map(({ midi, newestMs }) => [midi, newestMs]));
  const values = Object.fromEntries(
    (['middle', 'low', 'palm'] as const).flatMap((zone) => {
      const own = Array.from({ length: to - from + 1 }, (_, i) => from + i).filter((midi) => zoneOf(midi) === zone);
      const [oldest] = own.sort((a, b) => (heardMs.get(a) ?? 0) - (heardMs.get(b) ?? 0));
      return oldest === undefined ? [] : [[zone, oldest]];
    }),
  );
  const reason: Reason = { kind: 'look', midi: Number(values['middle'] ?? 67) };
  return [made(familyById('threeZones'), values, reason, plan, standing) ?? []].flat();
}

/** Short tunes about a target, or where the horn is easy. */
export function tunesAbout(target: Target | undefined, { plan, standing }: LessonState): Candidate[] {
  const midi = target?.midis[0] ?? 67;
  const reason: Reason = { kind: 'tuneAbout', midi };
  const turn = Math.floor(standing.days.length / TUNE.days);
  return [true, false].flatMap((slurred) => {
    const phrase = tuneAbout(midi, turn, rangeOf(standing), slurred);
    return phrase
      ? (made(familyById('ownPassage'), { phrase, repeats: TUNE.twice, tempoBpm: TUNE.bpm }, reason, plan, standing) ??
          [])
      : [];
  });
}

/** Music over the whole horn: what is new and due first, then what was away longest. */
export function wholeHorn({ plan, standing }: LessonState): Candidate[] {
  const own = plannable(plan).filter((family) => slotOf(family) === 'music');
  const last = ({ id }: Family) => standing.progress.get(id)?.days.at(-1) ?? '';
  const due = (family: Family) => {
    const progress = standing.progress.get(family.id);
    return Number(progress !== undefined && !standing.knows(family) && isDue(progress, plan.day));
  };
  const about = standing.theme.kind === 'start' ? {} : { about: standing.theme };
  return own
    .toSorted((a, b) => due(b) - due(a) || (last(a) < last(b) ? -1 : last(a) > last(b) ? 1 : 0))
    .flatMap(
      (family) =>
        inTurn(family, plan, standing, (midi) =>
          isNew(family, standing) ? { kind: 'new', midi } : { kind: 'music', midi, ...about },
        ) ?? [],
    );
}
