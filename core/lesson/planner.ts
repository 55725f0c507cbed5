import { exerciseKey, familyById, STAGES, type Family } from '@inner-hum/core/families';
import { forNeed, isHigh, noteOf } from './candidates';
import { type Candidate } from './made';
import { fitted, type Chosen } from './fit';
import { Keeping } from './keeping';
import { lessonOf, SLOTS, type Part } from './lesson';
import { loadToday, type Load } from './load';
import type { PlanFor } from './planFor';
import { NEED_REASONS } from '../map/needs';
import { hasSettled } from '../history/progress';
import { MINUTES, type Reason, type SessionBlock } from './session';
import { standingOf, weakestOf, type Standing } from './standing';
import { isCheck } from './ways';
import { Wishes } from './wishes';

/** Five minutes are one middle, one low and one palm note. */
const THREE_NOTES_UP_TO_MIN = 7;
/** From so many minutes on there is time for the tuner first. */
const TUNES_FROM_MIN = 10;
/** The mouthpiece alone belongs to every so many-th warm-up, where there is time. */
const MOUTHPIECE = { every: 4, fromMin: 20 } as const;
/** So many families that are new to the player in a first session, in one under half an hour, and in a longer one. */
const NEW = { first: 2, short: 1, long: 2, longFromMin: 30 } as const;
/** On a first day, and for a beginner in the first two weeks, there are no more families than this. */
const MOST_FAMILIES = 5;
/** No two blocks of a family within so many semitones, in a theme and else: neighbours gain from each other. */
const NEIGHBOURS = { theme: 1, other: 2 } as const;
/** A family stands in a session so often at most; more often where there is little else. */
const MOST_OF_A_FAMILY = { usual: 4, few: 6 } as const;

/**
 * A session of so many minutes, which may be fewer than the usual ones that `load` was told from, as a teacher lays it out: it tunes, warms up, works on what the week is about, keeps what
 * was learnt, and ends in music; little that is new, few things, each long enough. The same data and day give the same session.
 * @throws RangeError when minutes are not from 5 to 90
 */
export function planSession(plan: PlanFor, load: Load = loadToday(plan)): SessionBlock[] {
  const { minutes, style } = plan;
  if (!(minutes >= MINUTES.min && minutes <= MINUTES.max))
    throw new RangeError(`minutes must be from ${MINUTES.min} to ${MINUTES.max}, got ${minutes}`);
  const standing = standingOf(plan);
  const chosen =
    minutes <= THREE_NOTES_UP_TO_MIN ? threeNotes(plan, standing) : new Lesson(plan, standing, load).chosen();
  return fitted(inOrder(chosen, standing), lessonOf(minutes, style), 60 * minutes);
}

/** From so many blocks on the week's theme can spare one. */
const MAY_GIVE_ONE = 3;
const isOfNeed = ({ reason }: Chosen) => NEED_REASONS.some((kind) => kind === reason.kind);
const isSame = (a: Candidate, b: Candidate) => exerciseKey(a.exercise) === exerciseKey(b.exercise);

/** In the order of a practice; who tires has overtones while the lip is fresh, and ends with what is easy. */
function inOrder(chosen: readonly Chosen[], { tires }: Standing): Chosen[] {
  const order = tires ? ['tune', 'wake', 'measure', 'overtones', 'places', 'low', 'altissimo', 'music'] : [...SLOTS];
  const place = ({ slot, part, reason }: Chosen) =>
    reason.kind === 'easy' ? Infinity : order.indexOf(part === 'warmUp' && slot !== 'tune' ? 'wake' : slot);
  const stage = ({ family }: Chosen) => STAGES.indexOf(family.stage);
  const after = ({ part }: Chosen) => (part === 'warmUp' ? 0 : 1);
  return [...chosen].sort(
    (a, b) => place(a) - place(b) || after(a) - after(b) || stage(a) - stage(b) || noteOf(a) - noteOf(b),
  );
}

/** The weakest middle, low and palm note, each held: what there is time for in five minutes. */
function threeNotes(plan: PlanFor, standing: Standing): Chosen[] {
  return (['middle', 'low', 'palm'] as const).flatMap((zone): Chosen[] => {
    const midi = weakestOf(standing, zone);
    const need = standing.needs.find((one) => one.midi === midi);
    const [held] = forNeed({ midi, reason: 'pitch', size: 0, value: 0 }, plan, standing, false);
    const reason: Reason = need ? { ...need, kind: need.reason } : { kind: 'keeps', midi };
    return held ? [{ ...held, reason, part: 'theme' }] : [];
  });
}

/** A lesson while it is put together. */
class Lesson {
  private readonly list: Chosen[] = [];
  private readonly wishes: Wishes;
  private newLeft: number;

  constructor(
    private readonly plan: PlanFor,
    private readonly standing: Standing,
    private readonly load: Load,
  ) {
    this.wishes = new Wishes(plan, standing);
    this.newLeft = this.newAtMost();
  }

  chosen(): Chosen[] {
    const { plan, standing, wishes } = this;
    const { blocks } = lessonOf(plan.minutes, plan.style);
    this.warmUp(blocks.warmUp);
    if (this.load.kind === 'goalDay') return (this.fill('theme', 1, wishes.goal()), this.list);
    const survey = this.load.kind === 'second' ? undefined : wishes.survey();
    if (survey) this.list.push({ ...survey, part: 'theme' });
    const theme = Math.max(1, blocks.theme - (survey ? 1 : 0));
    const themes = wishes.theme();
    // What is known first: what may be new today is for music and for what comes next, after the first day.
    this.fill(
      'theme',
      theme,
      standing.days.length === 0 ? themes : themes.filter(({ family }) => !wishes.isNew(family)),
    );
    this.fill('music', blocks.music, wishes.music());
    this.fill('theme', theme + (survey ? 1 : 0) - this.list.filter(({ part }) => part === 'theme').length, themes);
    const keep = new Keeping(plan, standing).wanted(
      (family) => this.has(family),
      (family) => this.mayBeNew(family),
    );
    this.fill('keep', blocks.keep, keep);
    // What could not be filled is more of what the week is about, then whatever else there is.
    const missing =
      blocks.theme + blocks.keep + blocks.music - this.list.filter(({ part }) => part !== 'warmUp').length;
    this.fill('theme', missing, [...themes, ...keep, ...wishes.anything()], true);
    this.readyForAltissimo();
    if (this.standing.tiredLately) this.endEasy();
    return this.list;
  }

  /** The tuner, what wakes the low end, and on some days the mouthpiece alone. */
  private warmUp(blocks: number): void {
    const { plan, standing, wishes } = this;
    const tune = plan.minutes >= TUNES_FROM_MIN ? wishes.tune() : undefined;
    if (tune) this.list.push({ ...tune, part: 'warmUp' });
    const due = standing.days.length % MOUTHPIECE.every === MOUTHPIECE.every - 1;
    if (plan.minutes >= MOUTHPIECE.fromMin && due) this.fill('warmUp', 1, wishes.warmsUp());
    this.fill('warmUp', blocks, wishes.waking());
  }

  /**
   * The last of what only keeps gives way to two easy tones: of who tires whatever comes last breaks most. Overtones stay,
   * and what is still settling; what a note needs goes last of all.
   */
  private endEasy(): void {
    const [easy, more] = this.wishes.easy().filter((one) => !this.list.some((own) => isSame(own, one)));
    const mayGo = ({ family }: Chosen) =>
      family.stage !== 'overtones' && !family.teaching.planned?.readiesAltissimo && this.standing.knows(family);
    const last = (part: Part, ofNeed: boolean) =>
      this.list.findLastIndex((one) => one.part === part && mayGo(one) && isOfNeed(one) === ofNeed);
    const themes = this.list.filter(({ part }) => part === 'theme').length;
    const ofTheme = themes < MAY_GIVE_ONE ? [] : [last('theme', false), last('theme', true)];
    const at = [last('keep', false), ...ofTheme, last('keep', true)].find((i) => i >= 0);
    if (!easy || at === undefined) return;
    const { part } = this.list[at]!;
    this.list[at] = { ...easy, part };
    if (more) this.list.push({ ...more, part });
  }

  /** Nothing altissimo without a bend before it in the same session. */
  private readyForAltissimo(): void {
    if (!this.list.some(isHigh) || this.list.some(({ family }) => family.teaching.planned?.readiesAltissimo)) return;
    const bend = this.wishes.readies().find(({ family }) => !this.wishes.isNew(family) || this.mayBeNew(family));
    const at = this.list.findLastIndex(
      (one) => one.part === 'keep' && !isHigh(one) && one.family.stage !== 'overtones',
    );
    if (bend && at >= 0) this.list[at] = { ...bend, part: 'keep' };
    else if (bend) this.list.push({ ...bend, part: 'keep' });
    else this.list.splice(0, Infinity, ...this.list.filter((one) => !isHigh(one)));
  }

  /**
   * Puts the first of the candidates that fit into the lesson, so many of them.
   *
   * @param few whether a neighbour, and the same family once more, will do where there is little else
   */
  private fill(part: Part, count: number, candidates: readonly Candidate[], few = false): void {
    for (const close of few ? [false, true] : [false])
      for (const candidate of candidates) {
        if (count <= 0) return;
        if (!this.fits(candidate, part, close)) continue;
        if (this.wishes.isNew(candidate.family) && !this.has(candidate.family)) this.newLeft--;
        this.list.push({ ...candidate, part });
        count--;
      }
  }

  private fits(candidate: Candidate, part: Part, close: boolean): boolean {
    const { family } = candidate;
    const same = this.list.filter((one) => one.family === family);
    const apart = NEIGHBOURS[part === 'theme' ? 'theme' : 'other'];
    if (same.some((one) => isSame(one, candidate))) return false;
    if (same.length >= MOST_OF_A_FAMILY[close ? 'few' : 'usual']) return false;
    if (!close && same.some((one) => Math.abs(noteOf(one) - noteOf(candidate)) <= apart)) return false;
    if (isHigh(candidate) && !this.mayBeHigh(family)) return false;
    if (same.length > 0) return true;
    return (!this.wishes.isNew(family) || this.mayBeNew(family)) && this.roomForFamily(family);
  }

  /** Altissimo grows from overtones, after them, and once a day. */
  private mayBeHigh({ stage }: Family): boolean {
    if (!this.standing.altissimoReady || this.load.kind === 'second') return false;
    return stage === 'overtones' || this.list.some((one) => one.family.stage === 'overtones');
  }

  /** Whether there may be another family at all: few on a first day, and in a beginner's first two weeks. */
  private roomForFamily(family: Family): boolean {
    const { days, newcomer, progress } = this.standing;
    if (days.length > 0 && !newcomer) return true;
    const met = [
      ...this.list.map((one) => one.family),
      ...(newcomer ? [...progress.keys()].map(familyById) : []),
      family,
    ];
    // What no plan brings, a passage of one's own, is no family to learn.
    const counted = met.filter(({ teaching }) => teaching.planned && teaching.planned.slot !== 'tune');
    return new Set(counted).size <= MOST_FAMILIES;
  }

  /** Whether a new family may come today: so many at most, none of a stage whose last new one has not come back often enough. */
  private mayBeNew({ stage }: Family): boolean {
    const { progress, knows } = this.standing;
    const settling = [...progress].some(([id, own]) => {
      const family = familyById(id);
      return family.stage === stage && !knows(family) && !isCheck(family) && !hasSettled(own);
    });
    const today = this.list.some((one) => one.family.stage === stage && this.wishes.isNew(one.family));
    return this.newLeft > 0 && !settling && !today;
  }

  private newAtMost(): number {
    const { standing, plan, load } = this;
    if (load.nothingNew) return 0;
    const last = standing.days.at(-1)?.day;
    if (last === undefined) return NEW.first;
    const failed = [...standing.progress].some(
      ([id, { firstDay, failedFirst }]) => firstDay === last && failedFirst && !isCheck(familyById(id)),
    );
    return failed ? 0 : plan.minutes < NEW.longFromMin ? NEW.short : NEW.long;
  }

  private has(family: Family): boolean {
    return this.list.some((one) => one.family === family);
  }
}
