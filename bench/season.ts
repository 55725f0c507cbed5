import { exerciseScore, familyById, mainNoteOf } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import { cellsAfter, type Cell, type Digest } from '@inner-hum/core/history';
import {
  adapted,
  blockS,
  isEnough,
  loadToday,
  planSession,
  type Load,
  type PlanFor,
  type SessionBlock,
} from '@inner-hum/core/lesson';
import { hornMap, ownSources } from '@inner-hum/core/map';
import { SeededRandom } from '@inner-hum/core/simulate';
import { type ModelledPlayer } from './modelledPlayers';
import { Learning, takeOf } from './learning';

const DAY_MS = 86_400_000;
/** A Monday. */
const FIRST_MS = Date.parse('2026-01-05T18:00:00.000Z');

/** What leaves an exercise for the day. */
const BREAKS = 3;

/** A session as it was planned and played; a day of rest has neither blocks nor takes. */
export interface PlayedSession {
  /** counted from 1 */
  readonly day: number;
  readonly dayText: string;
  /** what it was planned from */
  readonly plan: PlanFor;
  readonly load: Load;
  readonly planned: readonly SessionBlock[];
  readonly takes: readonly Digest[];
  /** of each take, what of the practice of the day was over, 0–1 */
  readonly places: readonly number[];
}

/** What plans a session; the application's own planner when left out. */
type Planner = (plan: PlanFor) => { readonly load: Load; readonly planned: readonly SessionBlock[] };

const ownPlanner: Planner = (plan) => {
  const load = loadToday(plan);
  return { load, planned: load.kind === 'rest' ? [] : planSession({ ...plan, minutes: load.minutes }, load) };
};

/** A player's days, each as planned and then as the judge's next steps change it. */
export function seasonOf(player: ModelledPlayer, days: number, planner = ownPlanner, seed = 7): PlayedSession[] {
  const random = new SeededRandom(seed);
  const learning = new Learning(player);
  const cells = new Map<string, Cell>();
  const recent: Digest[] = [];
  const sessions: PlayedSession[] = [];
  for (let day = 1; day <= days; day++) {
    learning.newDay();
    if (!(player.plays?.(day) ?? true)) continue;
    const dayText = new Date(FIRST_MS + (day - 1) * DAY_MS).toISOString().slice(0, 10);
    for (let i = 0; i < (player.sessions ?? 1); i++) {
      const nowMs = FIRST_MS + (day - 1) * DAY_MS + i * 4 * 3_600_000;
      const { instrumentId, minutes, level, goals, practices } = player;
      const plan: PlanFor = {
        ...{ instrumentId, minutes, level, goals, practices, style: 'sweep', quiet: false, nowMs, day: dayText },
        notes: hornMap(cells.values()),
        sources: ownSources(cells.values()),
        recent: recent.filter((digest) => nowMs - digest.startedAtMs < 84 * DAY_MS),
        everPlayed: new Set(recent.map(({ family }) => family)),
        ...(recent[0] && { firstDay: recent[0].day }),
      };
      const { load, planned } = planner(plan);
      const { takes, places } = played(learning, planned, { nowMs, dayText, day }, recent, random);
      for (const take of takes) {
        for (const cell of cellsAfter(take, (key) => cells.get(key))) cells.set(cell.key, cell);
        recent.push(take);
      }
      sessions.push({ day, dayText, plan, load, planned, takes, places });
    }
  }
  return sessions;
}

function played(
  learning: Learning,
  planned: readonly SessionBlock[],
  { nowMs, dayText, day }: { readonly nowMs: number; readonly dayText: string; readonly day: number },
  recent: readonly Digest[],
  random: SeededRandom,
) {
  const takes: Digest[] = [];
  const places: number[] = [];
  const totalS = planned.reduce((sum, block) => sum + blockS(block), 0);
  let rest = planned;
  let overS = 0;
  let broken = 0;
  const decisions: Decision[] = [];
  while (rest[0]) {
    const block = rest[0];
    const moment = {
      startedAtMs: nowMs + Math.round(1000 * overS),
      day: dayText,
      dayNumber: day,
      afterMin: overS / 60,
    };
    const take = takeOf(learning, block.exercise, moment, [...recent, ...takes], random);
    learning.practised(take, take.family === 'tuneUp');
    takes.push(take);
    places.push(overS / totalS);
    const score = exerciseScore(block.exercise);
    overS += ((score.countInBeats + take.lastsS * (score.tempoBpm / 60)) * 60) / score.tempoBpm + (block.betweenS ?? 6);
    // Three breaks in a row leave an exercise, as the judge does.
    broken = take.decision === 'easier' ? broken + 1 : 0;
    const decision = broken >= BREAKS ? 'leave' : take.decision;
    if (decision === 'leave') broken = 0;
    decisions.push(decision);
    rest = adapted(rest, { decision, next: take.next, tired: isEnough(decisions) });
  }
  return { takes, places };
}

/** The note that an exercise is about, and its family: what goes on from one session to the next. */
export function thingOf({ exercise }: Pick<SessionBlock, 'exercise'>): string {
  return `${exercise.family} ${mainNoteOf(familyById(exercise.family).teaching, exercise) ?? ''}`;
}
