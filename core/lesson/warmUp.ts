import { exerciseScore, familyById, LEVELS, type Family, type FieldValues } from '@inner-hum/core/families';
import { dayNumber } from '../history/days';
import { hornOffset } from '../map/hornOrReed';
import { plannable } from './candidates';
import { isLightWeek, surveyAfterAway } from './load';
import { made, type Candidate } from './made';
import type { PlanFor } from './planFor';
import type { Reason } from './session';
import { slotOf } from './slots';
import type { Standing } from './standing';

/** What is measured is not measured again within a week. */
const MEASURED_DAYS = 7;
/** A first survey is at a middle loudness; soft and loud come on the days after. */
const FIRST_SURVEYS = ['mf', 'p', 'f'] as const;
/** A horn of which nine notes are known after five days needs no first survey. */
const KNOWN = { days: 5, notes: 9 } as const;
/** The mouthpiece alone belongs to every fourth warm-up, from twenty minutes on. */
const MOUTHPIECE = { every: 4, fromMin: 20 } as const;
/** What wakes the horn stays for two lessons. */
const LESSONS_A_WAKING = 2;
/** Written D4: the lowest note of who is new to it. */
const LOW_FOR_NEWCOMERS = 62;
/** Easy middle notes, which speak by themselves. */
const EASY_TONES = [67, 69, 65, 71];
/** A way to wake the horn: a family, and how it is set about a low note. */
interface Waking {
  readonly family: Family;
  readonly midi: number;
  readonly values: FieldValues;
}

/** The tuner, with how far the whole horn is out. */
export function tuning(plan: PlanFor, standing: Standing): Candidate | undefined {
  const cents = hornOffset(plan.notes);
  const reason: Reason = { kind: 'tune', midi: 71, ...(cents !== undefined && { cents }) };
  return made(familyById('tuneUp'), {}, reason, plan, standing);
}

/** What wakes the horn, by turns; on some days, where there is time, the mouthpiece alone. */
export function waking(plan: PlanFor, standing: Standing): Candidate[] {
  const lesson = standing.days.length;
  const reason = (midi: number): Reason => ({ kind: 'warmUp', midi });
  const alone =
    plan.minutes >= MOUTHPIECE.fromMin && lesson % MOUTHPIECE.every === MOUTHPIECE.every - 1
      ? plannable(plan).flatMap((family) => {
          const values = family.teaching.planned?.warmsUp;
          return values && standing.knows(family) ? (made(family, values, reason(67), plan, standing) ?? []) : [];
        })
      : [];
  const low =
    standing.needs.find(({ midi, reason: why }) => midi <= 62 && (why === 'response' || why === 'failing'))?.midi ?? 60;
  const ways = wakingBy(Math.floor(lesson / LESSONS_A_WAKING), low, plan, standing)
    .filter(({ family }) => plannable(plan).includes(family))
    .flatMap(({ family, midi, values }) => made(family, values, reason(midi), plan, standing) ?? []);
  return [...alone, ...ways];
}

/** Ways to wake the horn by turns: low starts on air and whatever else is for the low end, the way up from a home note, a soft middle tone. */
function wakingBy(turn: number, low: number, plan: PlanFor, { knows }: Standing): Waking[] {
  const [easy = low] = EASY_TONES;
  const lowEnd = plannable(plan)
    .filter(({ stage }) => stage === 'lowEnd')
    .toSorted((a, b) => Number(knows(b)) - Number(knows(a)))
    .flatMap((family) =>
      [low, LOW_FOR_NEWCOMERS].map((midi) => ({
        family,
        midi,
        values: { [family.teaching.mainNote ?? '']: midi, ...('repeats' in family.fields && { repeats: 2 }) },
      })),
    );
  const ways: readonly (readonly Waking[])[] = [
    lowEnd,
    [{ family: familyById('homeNote'), midi: low, values: { climbs: 3 } }],
    [{ family: familyById('hold'), midi: easy, values: { writtenMidi: easy, dynamic: 'mp' } }],
  ];
  return ways.flatMap((_, i) => ways[(turn + i) % ways.length]!);
}

/** Five notes on the first day, soft and loud on the next ones; what is known is measured again in light weeks. */
export function survey(plan: PlanFor, standing: Standing): Candidate | undefined {
  const measured = standing.days.filter(({ takes }) =>
    takes.some(({ family }) => slotOf(familyById(family)) === 'measure'),
  );
  const lately = measured.some(({ day }) => dayNumber(plan.day) - dayNumber(day) < MEASURED_DAYS);
  const part = plan.level === LEVELS[0] ? 'fiveEasy' : 'five';
  const of = (loudness: string, kind: 'firstMap' | 'again') =>
    made(familyById('survey'), { part, loudness }, { kind, midi: 67 }, plan, standing);
  const known = plan.notes.length >= KNOWN.notes && standing.days.length >= KNOWN.days;
  const first = known ? undefined : FIRST_SURVEYS[measured.length];
  const loudness = first ?? (surveyAfterAway(plan) ? FIRST_SURVEYS[0] : undefined);
  if (loudness) return of(loudness, 'firstMap');
  return isLightWeek(plan) && !lately ? of('all', 'again') : undefined;
}

/** What the day of who tires ends with: middle tones of one breath. */
export function easyTones(plan: PlanFor, standing: Standing): Candidate[] {
  return EASY_TONES.flatMap(
    (midi) => made(familyById('swell'), { writtenMidi: midi }, { kind: 'easy', midi }, plan, standing) ?? [],
  ).filter(({ exercise }) => !exerciseScore(exercise).steps.some(({ openEnd }) => openEnd));
}
