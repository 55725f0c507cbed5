import { exerciseKey } from '@inner-hum/core/families';
import type { ExerciseParameters, Score } from '@inner-hum/core/exercise';
import { median, spoke, valueOf, type StepMeasures } from '@inner-hum/core/measure';
import { finding, type Finding } from './finding';
import { leakVerdict, type LowStart } from './leak';
import type { Decision } from './verdict';

/** What a kept take tells those after it: what can be known of it without its record. */
export interface PastTake {
  readonly startedAtMs: number;
  /** the player's own day, yyyy-mm-dd */
  readonly day: string;
  /** which exercise it was, and which one it proposed, see `exerciseKey` */
  readonly exercise: string;
  readonly proposed: string;
  readonly decision: Decision;
  readonly starts: readonly LowStart[];
  /** pitch against level by written note, cents for each 10 dB */
  readonly slopes: readonly { readonly midi: number; readonly cents: number }[];
  /** pitch centres by written note, cents */
  readonly centres: readonly { readonly midi: number; readonly cents: number }[];
  /** share of its tones' time in the pitch window, 0–1 */
  readonly share: number;
}

/** The take that is judged, as those after it will see it. */
export type PresentTake = Omit<PastTake, 'decision' | 'proposed'>;

/** Pitch follows loudness when it moves by this much; everywhere on so many notes, here when the others do half of it. */
const SLOPE = { cents: 7, notes: 4, share: 0.8 } as const;
/** Most notes lean one way when so many of at least so many do, by at least so much. */
const LEAN = { cents: 5, notes: 6, share: 0.7 } as const;
/** A sitting: takes of one exercise within an hour of each other. */
const SITTING_MS = 3_600_000;
const SITTING_TRIES = 4;
const SHARE_CHANGE = 0.2;

/** The present take as {@link acrossTakes} sees it. */
export function presentTake(take: {
  readonly startedAtMs: number;
  readonly day: string;
  readonly reed: string;
  readonly parameters: ExerciseParameters;
  readonly score: Score;
  readonly measures: readonly StepMeasures[];
}): PresentTake {
  const { startedAtMs, day, reed, parameters, score, measures } = take;
  const played = measures.findLastIndex((step) => step.kind === 'sounded') + 1;
  const each = measures.slice(0, played).map((step, i) => ({ step, asked: score.steps[i]! }));
  const told = <K extends 'pitchAgainstLevelCents' | 'pitchCentreCents'>(name: K) =>
    each.flatMap(({ step, asked }) => {
      const cents = step.kind === 'sounded' ? valueOf(step[name]) : undefined;
      return cents === undefined || asked.partialNumber > 1 || asked.hum || asked.bendCents || asked.freePitch
        ? []
        : [{ midi: asked.soundedMidi, cents }];
    });
  const shares = each.flatMap(({ step }) => (step.kind === 'sounded' ? (valueOf(step.shareInWindow) ?? 0) : 0));
  return {
    startedAtMs,
    day,
    exercise: exerciseKey(parameters),
    starts: each.flatMap(({ step, asked: { attack, soundedMidi: midi, partialNumber } }): LowStart[] =>
      attack === 'slurred' || partialNumber > 1 ? [] : [{ midi, attack, spoke: spoke(step), day, reed }],
    ),
    slopes: told('pitchAgainstLevelCents'),
    centres: told('pitchCentreCents'),
    share: shares.reduce((sum, share) => sum + share, 0) / Math.max(1, shares.length),
  };
}

/** What a take shows together with those before it on the same horn, `past` oldest first. */
export function acrossTakes(now: PresentTake, past: readonly PastTake[]): Finding[] {
  return [...leak(now, past), ...slopes(now, past), ...sitting(now, past)];
}

/** Whether one of the takes of a day made this exercise harder already. */
export function harderToday(now: PresentTake, past: readonly PastTake[]): boolean {
  return past.some(
    (take) =>
      take.day === now.day &&
      take.decision === 'harder' &&
      (take.exercise === now.exercise || take.proposed === now.exercise),
  );
}

/** What is secure: so many of the last takes of it held, on so many days. */
const SECURE = { held: 3, of: 4, days: 2 } as const;

/** Whether tries at one thing, oldest first, have become secure: 3 of the last 4 held, on at least two days. */
export function isSecure(takes: readonly Pick<PastTake, 'day' | 'decision'>[]): boolean {
  const held = takes.slice(-SECURE.of).filter(({ decision }) => decision === 'harder');
  return held.length >= SECURE.held && new Set(held.map(({ day }) => day)).size >= SECURE.days;
}

/** Whether a take that held makes its exercise secure, with those before it. */
export function isSecureNow(now: PresentTake, past: readonly PastTake[]): boolean {
  const same = past.filter(({ exercise }) => exercise === now.exercise);
  return isSecure([...same, { day: now.day, decision: 'harder' }]);
}

/** Which way most notes of the last takes lean: 1 sharp, −1 flat, 0 no one way or not known. */
export function lean(now: PresentTake, past: readonly PastTake[]): -1 | 0 | 1 {
  const each = byNote([...past, now].flatMap((take) => take.centres));
  if (each.length < LEAN.notes) return 0;
  const share = (sign: 1 | -1) => each.filter((cents) => sign * cents >= LEAN.cents).length / each.length;
  return share(1) >= LEAN.share ? 1 : share(-1) >= LEAN.share ? -1 : 0;
}

/** Low notes that fail with the tongue and with air, on several days and reeds, speak for the horn. */
function leak(now: PresentTake, past: readonly PastTake[]): Finding[] {
  if (now.starts.every((start) => start.spoke)) return [];
  const { verdict, tongue, breath, days, reeds } = leakVerdict([...past, now].flatMap((take) => take.starts));
  if (verdict !== 'horn') return [];
  return [finding('leakLikely', 0, { tonguePercent: 100 * tongue, airPercent: 100 * breath, days, reeds }, 2)];
}

/** Pitch that follows loudness: on every note it is a habit, on this one alone it is that note. */
function slopes(now: PresentTake, past: readonly PastTake[]): Finding[] {
  if (now.slopes.length === 0) return [];
  const here = median(now.slopes.map((slope) => slope.cents));
  if (Math.abs(here) < SLOPE.cents) return [];
  const notes = new Set(now.slopes.map((slope) => slope.midi));
  const each = byNote(past.flatMap((take) => take.slopes).filter((slope) => !notes.has(slope.midi)));
  if (each.length < SLOPE.notes - 1) return [];
  const alike = each.filter((cents) => cents * here > 0 && Math.abs(cents) >= SLOPE.cents / 2).length / each.length;
  const severity = Math.abs(here) / SLOPE.cents;
  if (alike >= SLOPE.share) {
    const values = { cents: Math.abs(median([...each, here])), notes: each.length + 1 };
    return [finding('slopeEverywhere', 0, values, severity)];
  }
  if (alike > 1 - SLOPE.share) return [];
  return [finding('slopeHere', 0, { cents: Math.abs(here), notes: each.length }, severity)];
}

/** Tries at one thing in one sitting: steadier than at first, or tiring. */
function sitting(now: PresentTake, past: readonly PastTake[]): Finding[] {
  const tries: PresentTake[] = [now];
  for (const take of [...past].reverse()) {
    if (tries[0]!.startedAtMs - take.startedAtMs > SITTING_MS) break;
    if (take.exercise === now.exercise) tries.unshift(take);
  }
  if (tries.length < SITTING_TRIES) return [];
  const shares = tries.map((take) => take.share);
  const change = median(shares.slice(-2)) - median(shares.slice(0, 2));
  const values = { percent: 100 * Math.abs(change), tries: tries.length };
  if (change >= SHARE_CHANGE) return [finding('steadierNow', 0, values)];
  return change <= -SHARE_CHANGE ? [finding('tiring', 0, values, -change / SHARE_CHANGE)] : [];
}

/** The median of each note. */
function byNote(told: readonly { readonly midi: number; readonly cents: number }[]): number[] {
  const notes = new Map<number, number[]>();
  for (const { midi, cents } of told) notes.set(midi, [...(notes.get(midi) ?? []), cents]);
  return [...notes.values()].map(median);
}
