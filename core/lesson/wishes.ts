import { exerciseScore, exerciseKey, familyById, LEVELS, type Family } from '@inner-hum/core/families';
import { zoneOf } from '@inner-hum/core/theory';
import { again, forGoal, forNeed, plannable } from './candidates';
import { type Candidate } from './made';
import { dayNumber } from '../history/days';
import { goalNow } from './goalSteps';
import { hornOffset } from '../map/hornOrReed';
import { slotOf } from './lesson';
import { isLightWeek, surveyAfterAway } from './load';
import { isDue } from '../history/progress';
import { isCheck, noteOfTake, Ways } from './ways';
import type { Goal } from './aims';
import type { Reason } from './session';
import type { Standing } from './standing';

/** A goal is worked on in two of three sessions. */
const GOAL_EVERY = 2;
/** The same music, and the same way of waking the low end, for so many sessions. */
const MUSIC_SESSIONS = 2;
const WAKE_SESSIONS = 3;
/** What is measured is not measured again within so many days. */
const MEASURED_DAYS = 7;
/** Middle notes that speak by themselves. */
const EASY_TONES = [67, 69, 65, 71];
/** Notes all over the horn, those that are easy first; the low ones that wake it; the palm keys, under a high note. */
const USUAL_TONES = [67, 71, 64, 69, 74, 62, 79, 60, 84, 65, 76, 72, 86, 58];
const LOW_TONES = [60, 58, 62];
const UNDER_ALTISSIMO = [86, 88, 89];
/** A first survey is at a middle loudness; soft and loud come on the days after. */
const FIRST_SURVEYS = ['mf', 'p', 'f'] as const;
const FIRST_DAYS = 5;
const KNOWN_NOTES = 9;

/** What a player could do in each part of a lesson, the most wanted first. */
export class Wishes extends Ways {
  /** The tuner, with how far the whole horn is out. */
  tune(): Candidate | undefined {
    const cents = hornOffset(this.plan.notes);
    return this.inSlot('tune', {}, { kind: 'tune', midi: 71, ...(cents !== undefined && { cents }) });
  }

  /** What else belongs into a warm-up on some days. */
  warmsUp(): Candidate[] {
    return plannable(this.plan).flatMap((family) => {
      const values = family.teaching.planned?.warmsUp;
      return values && this.standing.knows(family)
        ? (this.made(family, values, { kind: 'warmUp', midi: 67 }) ?? [])
        : [];
    });
  }

  /** What wakes the low end: what was there last time for a while, then what a low note wants, then by turns. */
  waking(): Candidate[] {
    const { plan, standing } = this;
    const low = standing.groups.find(
      ({ zone, reason }) => zone === 'low' && (reason === 'response' || reason === 'failing'),
    );
    const ofNeed = (low?.needs ?? []).flatMap((need) => forNeed(need, plan, standing, this.isTheme(need)));
    const own = plannable(plan).filter(({ stage }) => stage === 'lowEnd');
    const turns = own.flatMap((family) => this.turn(family, (midi) => ({ kind: 'warmUp', midi })) ?? []);
    const others = own.flatMap((family) =>
      LOW_TONES.flatMap(
        (midi) => this.made(family, { [family.teaching.mainNote!]: midi }, { kind: 'warmUp', midi }) ?? [],
      ),
    );
    return [
      ...this.sticky('lowEnd', WAKE_SESSIONS, 'warmUp'),
      ...ofNeed.filter(({ family }) => family.stage === 'lowEnd'),
      ...turns,
      ...others,
    ];
  }

  /** Five notes on the first day, soft and loud on the next ones; what is known is measured again in light weeks. */
  survey(): Candidate | undefined {
    const { plan, standing } = this;
    const surveyed = standing.days.filter(({ takes }) =>
      takes.some(({ family }) => slotOf(familyById(family)) === 'measure'),
    );
    const lately = surveyed.some(({ day }) => dayNumber(plan.day) - dayNumber(day) < MEASURED_DAYS);
    const part = plan.level === LEVELS[0] ? 'fiveEasy' : 'five';
    // A horn that is known needs no first survey.
    const known = plan.notes.length >= KNOWN_NOTES && standing.days.length >= FIRST_DAYS;
    const first = known ? undefined : FIRST_SURVEYS[surveyed.length];
    const loudness = first ?? (surveyAfterAway(plan) ? FIRST_SURVEYS[0] : undefined);
    if (loudness) return this.inSlot('measure', { part, loudness }, { kind: 'firstMap', midi: 67 });
    if (!isLightWeek(plan) || lately) return undefined;
    return this.inSlot('measure', { part, loudness: 'all' }, { kind: 'again', midi: 67 });
  }

  /** What the week is about. */
  theme(): Candidate[] {
    const { plan, standing } = this;
    const { theme, groups } = standing;
    const goal = goalNow(plan);
    const ofGoal = goal ? forGoal(goal, plan, standing) : [];
    const worked = standing.days
      .slice(1 - GOAL_EVERY)
      .some(({ takes }) =>
        takes.some(({ parameters }) =>
          ofGoal.some(({ exercise }) => exerciseKey(exercise) === exerciseKey(parameters)),
        ),
      );
    // A passage itself is the lesson's music.
    const first = goal && !worked ? ofGoal.filter(({ slot }) => !goal.exercise || slot !== 'music').slice(0, 1) : [];
    switch (theme.kind) {
      case 'need': {
        const own = theme.midis.flatMap((midi) =>
          standing.needs.filter((need) => need.midi === midi && need.reason === theme.reason),
        );
        const beside = groups.filter(({ zone }) => zone === theme.zone).flatMap(({ needs }) => needs);
        const rest = theme.midis.filter((midi) => !own.some((need) => need.midi === midi));
        const [main, ...more] = this.alternating([...own, ...beside]);
        const about = [...(main ? [main] : []), ...this.neglected(), ...more];
        return [...first, ...about, ...rest.flatMap((midi) => this.likeTheme(midi))];
      }
      case 'goal':
        return goal ? [...this.towards(goal), ...ofGoal] : [];
      case 'zone':
        return [...first, ...this.neglected(), ...theme.midis.flatMap((midi) => this.inZone(midi))];
      case 'start':
        return [
          ...this.neglected(),
          ...this.alternating(standing.needs),
          ...this.plain(USUAL_TONES, (midi) => ({ kind: 'start', midi })),
        ];
      case 'measure':
        return [...first, ...this.neglected(), ...this.alternating(standing.needs)];
    }
  }

  music(): Candidate[] {
    const { plan, standing } = this;
    const own = this.longestAway(plannable(plan).filter((family) => slotOf(family) === 'music'));
    const due = own.filter((family) => {
      const progress = standing.progress.get(family.id);
      return progress !== undefined && !standing.knows(family) && isDue(progress, plan.day);
    });
    const why =
      (family: Family) =>
      (midi: number): Reason =>
        this.isNew(family) ? { kind: 'new', midi } : { kind: 'music', midi, ...this.about() };
    const turns = [...due, ...own].flatMap((family) => this.turn(family, why(family)) ?? []);
    const passage = this.goal().filter(({ slot }) => slot === 'music');
    return [...passage, ...this.sticky('wholeHorn', MUSIC_SESSIONS, 'music'), ...turns];
  }

  /** What fills a lesson where nothing more is asked for: what was played last, plain tones, then what comes round. */
  anything(): Candidate[] {
    const { plan, standing } = this;
    const lately = [...new Map(this.lastSession.map((take) => [exerciseKey(take.parameters), take])).values()];
    const goOn = lately
      .filter(({ family }) => familyById(family).teaching.planned && !isCheck(familyById(family)))
      .flatMap((take) => again(take, this.keeping(noteOfTake(take)), plan, standing) ?? []);
    return [...goOn, ...this.plain(USUAL_TONES, (midi) => this.keeping(midi)), ...this.rounds()];
  }

  /** What the day of who tires ends with: a middle tone of one breath. */
  easy(): Candidate[] {
    return this.plain(EASY_TONES, (midi) => ({ kind: 'easy', midi })).filter(
      ({ exercise }) => !exerciseScore(exercise).steps.some(({ openEnd }) => openEnd),
    );
  }

  /** What readies the throat for altissimo. */
  readies(): Candidate[] {
    return plannable(this.plan)
      .filter(({ teaching }) => teaching.planned?.readiesAltissimo)
      .flatMap((family) => this.turn(family, (midi) => ({ kind: 'readies', midi })) ?? []);
  }

  /** The exercises of a goal itself. */
  goal(): Candidate[] {
    const goal = goalNow(this.plan);
    return goal ? forGoal(goal, this.plan, this.standing) : [];
  }

  /** What a goal grows from, until it can be worked on itself: overtones, a bend, the notes under it. */
  private towards(goal: Goal): Candidate[] {
    const { plan, standing } = this;
    const why = {
      kind: 'goal',
      goal: goal.kind,
      midi: goal.midi,
      daysLeft: dayNumber(goal.by) - dayNumber(plan.day),
    } as const;
    const high = zoneOf(goal.midi) === 'altissimo';
    if (goal.kind !== 'partial' && !high) return [];
    const overtones = this.overtones(() => true).slice(0, 2);
    if (!high) return overtones;
    const bends = this.readies().map((candidate): Candidate => ({ ...candidate, reason: why }));
    return [
      ...overtones,
      ...bends.slice(0, 1),
      ...(standing.altissimoReady ? forGoal(goal, plan, standing) : []),
      ...this.plain(UNDER_ALTISSIMO, () => why, 1),
    ];
  }

  /** A note of the week's theme that was not found wanting yet: the same work, to see how far it goes. */
  private likeTheme(midi: number): Candidate[] {
    const { theme } = this.standing;
    if (theme.kind !== 'need') return [];
    const need = { midi, reason: theme.reason, size: 0, value: 0, ...(theme.band && { band: theme.band }) };
    const ways = forNeed(need, this.plan, this.standing, true);
    return ways.map((candidate): Candidate => ({ ...candidate, reason: { kind: 'zone', midi } }));
  }

  /** A note of the week's zone: what it wants, else plain tones on it. */
  private inZone(midi: number): Candidate[] {
    const need = this.standing.needs.find((one) => one.midi === midi);
    const wanted = need ? forNeed(need, this.plan, this.standing, true) : [];
    return [...wanted, ...this.plain([midi], () => ({ kind: 'zone', midi }))];
  }

  /** What was played of a stage last time, again, unless it was there for so many sessions already. */
  private sticky(stage: Family['stage'], sessions: number, kind: 'warmUp' | 'music'): Candidate[] {
    const { plan, standing } = this;
    const last = this.lastSession.findLast(
      ({ family }) => familyById(family).stage === stage && !isCheck(familyById(family)),
    );
    if (!last) return [];
    const key = exerciseKey(last.parameters);
    const had = ({ takes }: Standing['days'][number]) =>
      takes.some(({ parameters }) => exerciseKey(parameters) === key);
    const inARow = standing.days.length - 1 - standing.days.findLastIndex((day) => !had(day));
    if (inARow >= sessions) return [];
    const about = kind === 'music' ? this.about() : {};
    return [again(last, { kind, midi: noteOfTake(last), ...about } as Reason, plan, standing) ?? []].flat();
  }
}
