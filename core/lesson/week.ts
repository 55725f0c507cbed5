import { sizeOf } from '@inner-hum/core/theory';
import type { Digest } from '../history/digest';
import type { PlanFor } from './planFor';
import { loadToday } from './load';
import { planSession } from './planner';
import { MINUTES, type SessionBlock } from './session';

const DAY_MS = 86_400_000;

/** One day of a week as it looks now. */
export interface WeekDay {
  readonly day: string;
  readonly minutes: number;
  readonly blocks: readonly SessionBlock[];
}

/**
 * The days to come as they look now: each planned as if the days before it were played as planned. What is really found
 * changes them. Day by day, since each takes a while. A day of fewer minutes than a session can have is a day of rest.
 */
export function* planWeek(
  plan: PlanFor,
  days: readonly { readonly day: string; readonly minutes: number }[],
): Generator<WeekDay, void> {
  const recent = [...plan.recent];
  for (const [i, { day, minutes }] of days.entries()) {
    if (minutes < MINUTES.min) {
      yield { day, minutes: 0, blocks: [] };
      continue;
    }
    const asked = { ...plan, recent, day, minutes, nowMs: plan.nowMs + i * DAY_MS };
    const load = loadToday(asked);
    if (load.kind === 'rest') {
      yield { day, minutes: 0, blocks: [] };
      continue;
    }
    const blocks = planSession({ ...asked, minutes: load.minutes }, load);
    recent.push(...blocks.map((block, k) => asPlayed(block, plan, day, plan.nowMs + i * DAY_MS + k)));
    yield { day, minutes: load.minutes, blocks };
  }
}

/** What a block will have been, without what it will have told. */
function asPlayed({ exercise }: SessionBlock, { instrumentId }: PlanFor, day: string, startedAtMs: number): Digest {
  const about = {
    setup: { instrumentId: sizeOf(instrumentId) },
    setupKey: '',
    family: exercise.family,
    parameters: exercise,
    next: {},
  };
  const empty = { findings: [], holds: [], seen: [], tags: [], demo: false, lastsS: 0, shareInWindow: 0 } as const;
  return { takeId: `${day} ${startedAtMs}`, startedAtMs, day, decision: 'again', ...about, ...empty };
}
