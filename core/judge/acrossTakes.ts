import type { Attack, Score } from '@inner-hum/core/exercise';
import { median, valueOf, type StepMeasures } from '@inner-hum/core/measure';
import { dynamicPosition, zoneOf } from '@inner-hum/core/theory';
import type { Finding } from './verdict';

/** What a kept take tells those after it. */
export interface PastTake {
  readonly startedAtMs: number;
  /** the player's own day, yyyy-mm-dd */
  readonly day: string;
  /** the player's name for the reed; '' when not said */
  readonly reed: string;
  /** takes with the same words here are tries at one thing */
  readonly exercise: string;
  readonly steps: readonly PastStep[];
}

interface PastStep {
  /** written */
  readonly midi: number;
  readonly attack: Attack;
  readonly soft: boolean;
  readonly spoke: boolean;
  /** cents for each 10 dB; undefined when the level hardly moved */
  readonly slopeCents: number | undefined;
  /** within the pitch window, 0–1 */
  readonly share: number;
}

const SOFT_BELOW = 0.5;
/** How far a start on another partial reaches into a tone that did not speak, seconds. */
const START_S = 0.1;
/** A leak: at least so many low starts each way, so many of them failing, on so many days and reeds. */
const LEAK = { starts: 4, failing: 0.4, days: 2, reeds: 2 } as const;
/** Pitch follows loudness when it moves by this much; everywhere on so many notes, here when the others do half of it. */
const SLOPE = { cents: 7, notes: 4, share: 0.8 } as const;
/** A sitting: takes of one exercise within an hour of each other. */
const SITTING_MS = 3_600_000;
const SITTING_TRIES = 4;
const SHARE_CHANGE = 0.2;

/** Summary of a take for {@link acrossTakes}. */
export function pastTake(take: {
  readonly startedAtMs: number;
  readonly day: string;
  readonly reed: string;
  readonly score: Score;
  readonly measures: readonly StepMeasures[];
}): PastTake {
  const { startedAtMs, day, reed, score, measures } = take;
  const exercise = [score.family, ...new Set(score.steps.map((step) => step.soundedMidi))].join(' ');
  const steps = measures.flatMap((step, i): PastStep[] => {
    const { soundedMidi: midi, attack, dynamics } = score.steps[i]!;
    const soft = dynamics.every((one) => (one.position ?? dynamicPosition(one.dynamic)) < SOFT_BELOW);
    const about = { midi, attack, soft };
    if (step.kind === 'silent') return [{ ...about, spoke: false, slopeCents: undefined, share: 0 }];
    const spoke = !step.jumps.some((one) => one.atS - step.onsetS < START_S);
    const slopeCents = valueOf(step.pitchAgainstLevelCents);
    return [{ ...about, spoke, slopeCents, share: valueOf(step.shareInWindow) ?? 0 }];
  });
  return { startedAtMs, day, reed, exercise, steps };
}

/** What a take shows together with those before it on the same horn, `past` oldest first. */
export function acrossTakes(now: PastTake, past: readonly PastTake[]): Finding[] {
  const all = [...past, now];
  return [...leak(now, all), ...slopes(now, past), ...sitting(now, past)];
}

/** Low notes that fail with the tongue and with air, on several days and reeds, speak for the horn. */
function leak(now: PastTake, all: readonly PastTake[]): Finding[] {
  if (!now.steps.some((step) => isLowStart(step) && !step.spoke)) return [];
  const starts = all.flatMap((take) => take.steps.filter(isLowStart).map((step) => ({ ...step, take })));
  const failing = starts.filter((one) => !one.spoke);
  const share = (attack: Attack) => {
    const own = starts.filter((one) => one.attack === attack);
    return own.length < LEAK.starts ? 0 : own.filter((one) => !one.spoke).length / own.length;
  };
  const [tongue, air] = [share('tongue'), share('breath')];
  const days = new Set(failing.map(({ take }) => take.day)).size;
  const reeds = new Set(failing.flatMap(({ take }) => take.reed || [])).size;
  if (Math.min(tongue, air) < LEAK.failing || days < LEAK.days || reeds < LEAK.reeds) return [];
  const values = { tonguePercent: 100 * tongue, airPercent: 100 * air, days, reeds };
  return [{ id: 'leakLikely', weight: 2, stepIndex: 0, values }];
}

function isLowStart(step: PastStep): boolean {
  return zoneOf(step.midi) === 'low' && step.attack !== 'slurred';
}

/** Pitch that follows loudness: on every note it is a habit, on this one alone it is that note. */
function slopes(now: PastTake, past: readonly PastTake[]): Finding[] {
  const own = now.steps.flatMap((step) => step.slopeCents ?? []);
  if (own.length === 0) return [];
  const here = median(own);
  if (Math.abs(here) < SLOPE.cents) return [];
  const others = new Map<number, number[]>();
  const notes = new Set(now.steps.map((step) => step.midi));
  for (const step of past.flatMap((take) => take.steps))
    if (step.slopeCents !== undefined && !notes.has(step.midi))
      others.set(step.midi, [...(others.get(step.midi) ?? []), step.slopeCents]);
  const each = [...others.values()].map(median);
  if (each.length < SLOPE.notes - 1) return [];
  const alike = each.filter((one) => one * here > 0 && Math.abs(one) >= SLOPE.cents / 2).length / each.length;
  const values = { cents: Math.abs(median([...each, here])), notes: each.length + 1 };
  if (alike >= SLOPE.share) return [{ id: 'slopeEverywhere', weight: 1, stepIndex: 0, values }];
  if (alike > 1 - SLOPE.share) return [];
  return [{ id: 'slopeHere', weight: 1, stepIndex: 0, values: { cents: Math.abs(here), notes: each.length } }];
}

/** Tries at one thing in one sitting: steadier than at first, or tiring. */
function sitting(now: PastTake, past: readonly PastTake[]): Finding[] {
  const tries = [now];
  for (const take of [...past].reverse()) {
    if (tries[0]!.startedAtMs - take.startedAtMs > SITTING_MS) break;
    if (take.exercise === now.exercise) tries.unshift(take);
  }
  if (tries.length < SITTING_TRIES) return [];
  const shares = tries.map(
    (take) => take.steps.reduce((sum, one) => sum + one.share, 0) / Math.max(1, take.steps.length),
  );
  const change = median(shares.slice(-2)) - median(shares.slice(0, 2));
  const values = { percent: 100 * Math.abs(change), tries: tries.length };
  if (change >= SHARE_CHANGE) return [{ id: 'steadierNow', weight: 0, stepIndex: 0, values }];
  return change <= -SHARE_CHANGE ? [{ id: 'tiring', weight: 1, stepIndex: 0, values }] : [];
}
