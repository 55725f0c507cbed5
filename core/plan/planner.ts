import { beatSeconds, scoreBeats, type ExerciseParameters } from '@inner-hum/core/exercise';
import { STAGES } from '@inner-hum/core/families';
import { exerciseKey, exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import {
  dynamicPosition,
  instrumentById,
  lattice,
  sourceKey,
  expectedSuccess,
  zoneOf,
  type InstrumentId,
} from '@inner-hum/core/theory';
import { dayNumber } from './days';
import type { Digest } from './digest';
import { exerciseFor, exerciseForSeam } from './exerciseFor';
import type { NoteOnMap } from './hornMap';
import { needs, type Need } from './needs';
import type { OwnCell } from './ownSources';
import { seams } from './seams';
import { VERDICT_S, type Goal, type Reason, type SessionBlock } from './session';

/** What a session is planned from. */
export interface PlanFor {
  readonly instrumentId: InstrumentId;
  readonly minutes: number;
  /** sweep: many things once or twice; dwell: few things for long */
  readonly style: 'sweep' | 'dwell';
  readonly notes: readonly NoteOnMap[];
  readonly sources: ReadonlyMap<string, OwnCell>;
  /** takes of the last weeks on this horn */
  readonly recent: readonly Digest[];
  readonly goals: readonly Goal[];
  /** no loud bell notes now */
  readonly quiet: boolean;
  readonly nowMs: number;
  /** the player's own day, yyyy-mm-dd */
  readonly day: string;
}

export const MINUTES = { min: 5, max: 90 } as const;
const DAY_MS = 86_400_000;
/** What was worked on this lately steps back a little, days. */
const FRESH_DAYS = 2;
/** An exercise goes on where it stood for so long, days. */
const REMEMBERED_DAYS = 21;
const TRIES = { sweep: { first: 1, most: 3 }, dwell: { first: 5, most: 8 } } as const;
/** A session has at least so many blocks when it can. */
const FEWEST = 3;
/** Between two blocks at least and at most, and after what tires, seconds. */
const REST_S = { least: 8, most: 60, tiring: 30 } as const;
/** Five minutes are one middle, one low and one palm note. */
const THREE_NOTES_UP_TO_MIN = 7;
const LAST_BELL_MIDI = 61;
/** Smaller needs are none: such a note is only kept in shape. */
const WORTH_IT = 0.5;
/** With fewer notes on the map than this a session begins by filling it. */
const FEW_NOTES = 9;

type OrdinaryKind = 'warmUp' | 'anchor' | 'break' | 'firstMap';

interface Candidate {
  readonly exercise: ExerciseParameters;
  readonly reason: Reason;
  readonly weight: number;
}

/**
 * A session of so many minutes: what the map, the lattice, the goals and the last weeks ask for most, in the order of a
 * practice, with rests. The same data and day give the same session. Greedy over published weights; our choice.
 * @throws RangeError when minutes are not from 5 to 90
 */
export function planSession(plan: PlanFor): SessionBlock[] {
  const { minutes, style } = plan;
  if (!(minutes >= MINUTES.min && minutes <= MINUTES.max))
    throw new RangeError(`minutes must be from ${MINUTES.min} to ${MINUTES.max}, got ${minutes}`);
  const budgetS = 60 * minutes;
  const all = minutes <= THREE_NOTES_UP_TO_MIN ? threeNotes(plan) : candidates(plan);
  const chosen: SessionBlock[] = [];
  const cost = (blocks: readonly SessionBlock[]) => blocks.reduce((sum, one) => sum + blockS(one), 0);
  for (const { exercise, reason } of all) {
    const block: SessionBlock = { exercise, reason, tries: TRIES[style].first, restS: REST_S.least };
    const shorter = style === 'sweep' || chosen.length < FEWEST ? [{ ...block, tries: 1 }] : [];
    const fits = [block, ...shorter].find((one) => cost([...chosen, one]) <= budgetS);
    if (fits) chosen.push(fits);
  }
  // What time is left goes to more tries, the most wanted first, round by round; beyond what is usual only at the last.
  for (const most of [TRIES[style].most, Infinity])
    for (let more = true; more;) {
      more = false;
      chosen.forEach((block, i) => {
        const longer = { ...block, tries: block.tries + 1 };
        if (block.tries >= most || cost(chosen.with(i, longer)) > budgetS) return;
        chosen[i] = longer;
        more = true;
      });
    }
  return withRests(inOrder(chosen), budgetS);
}

/** How long a block lasts: its tries with count-in and verdict, and its rest, seconds. */
export function blockS({ exercise, tries, restS }: Pick<SessionBlock, 'exercise' | 'tries' | 'restS'>): number {
  const score = exerciseScore(exercise);
  return tries * ((scoreBeats(score) + score.countInBeats) * beatSeconds(score) + VERDICT_S) + restS;
}

function candidates(plan: PlanFor): Candidate[] {
  const { instrumentId, notes, nowMs } = plan;
  const wanted = needs(notes, instrumentId, nowMs);
  const lowest = instrumentById(instrumentId).lowestWrittenMidi;
  const own: Candidate[] = [
    ...goalCandidates(plan),
    ...spread(wanted).map((need) => needed(need, instrumentId)),
    ...seams(notes).map((seam) => ({
      exercise: exerciseForSeam(seam, instrumentId),
      reason: { kind: 'seam', midi: seam.lower, upper: seam.upper } as const,
      weight: Math.min(1.5, seam.z / 3),
    })),
    ...overtoneCandidates(plan),
    ...(notes.length < FEW_NOTES ? [ordinary(plan, 'survey', lowest, 'firstMap', 1.3)] : []),
    // A practice has these whatever the map says; they come forward when little else asks.
    ordinary(plan, 'airIntoTone', lowest + 2, 'warmUp', 1.1),
    ordinary(plan, 'oneBreathDescent', 64, 'anchor', 0.75),
    ordinary(plan, 'homeNote', lowest, 'anchor', 0.6),
    ordinary(plan, 'crossingBreak', 74, 'break', 0.55),
    ordinary(plan, 'fullSpanScale', 67, 'anchor', 0.5),
  ];
  const ready = own.flatMap((one) => readied(one, plan) ?? []);
  const seen = new Set<string>();
  return ready
    .sort((a, b) => b.weight - a.weight || jitter(a, plan.day) - jitter(b, plan.day))
    .filter(({ exercise }) => {
      const key = exerciseKey(exercise);
      return !seen.has(key) && seen.add(key);
    });
}

/** The weakest middle, low and palm note, each held. */
function threeNotes(plan: PlanFor): Candidate[] {
  const wanted = needs(plan.notes, plan.instrumentId, plan.nowMs);
  return (['middle', 'low', 'palm'] as const).flatMap((zone) => {
    const need = wanted.find((one) => zoneOf(one.midi) === zone);
    if (!need) return [];
    const exercise = {
      ...usualExercise(familyById('hold'), plan.instrumentId),
      writtenMidi: need.midi,
      beats: 8,
      repeats: 2,
    };
    return readied({ exercise, reason: reasonOf(need), weight: 1 }, plan) ?? [];
  });
}

/** No two needs for the same reason within two semitones: neighbours gain from each other. */
function spread(wanted: readonly Need[]): Need[] {
  const kept: Need[] = [];
  for (const need of wanted)
    if (!kept.some((one) => one.reason === need.reason && Math.abs(one.midi - need.midi) <= 2)) kept.push(need);
  return kept;
}

function needed(need: Need, instrumentId: InstrumentId): Candidate {
  const small = need.size < WORTH_IT;
  return {
    exercise: exerciseFor(small ? { ...need, reason: 'stale' } : need, instrumentId),
    reason: small ? { kind: 'kept', midi: need.midi } : reasonOf(need),
    weight: need.size,
  };
}

function goalCandidates({ goals, instrumentId, day }: PlanFor): Candidate[] {
  return goals
    .filter((one) => one.instrumentId === instrumentId && one.by >= day)
    .flatMap((goal) => {
      const daysLeft = daysBetween(day, goal.by);
      const families = {
        softLowEntry: ['airIntoTone', 'firstTrace'],
        longTone: ['hold'],
        highNote: ['hold', 'anchorSwell'],
      }[goal.kind];
      // Nearer days weigh more; the ways to it alternate from day to day.
      const family = families[dayNumber(day) % families.length]!;
      const exercise = {
        ...usualExercise(familyById(family), instrumentId),
        ...(family === 'anchorSwell' ? {} : { writtenMidi: goal.midi }),
        ...(goal.kind === 'softLowEntry' && family === 'airIntoTone' && { dynamic: 'p' }),
      };
      return [
        {
          exercise,
          reason: { kind: 'goal', goal: goal.kind, midi: goal.midi, daysLeft } as const,
          weight: 2 + 14 / (7 + daysLeft),
        },
      ];
    });
}

/** The overtone that is most worth learning: neither sure nor hopeless. */
function overtoneCandidates({ instrumentId, sources }: PlanFor): Candidate[] {
  const horn = instrumentById(instrumentId);
  const learnable = lattice(horn)
    .filter(
      (one) => !one.octaveKey && one.partialNumber > 1 && one.partialNumber <= 6 && one.tubeMidi <= LAST_BELL_MIDI + 2,
    )
    .map((one) => ({ one, success: expectedSuccess(one.prior, sources.get(sourceKey(one))?.tries) }))
    .sort((a, b) => Math.abs(a.success - 0.6) - Math.abs(b.success - 0.6) || a.one.tubeMidi - b.one.tubeMidi)
    .slice(0, 2);
  return learnable.map(({ one, success }, i) => {
    const partial = one.partialNumber;
    const family = i === 0 ? 'overtoneLadder' : 'overtoneMatch';
    const exercise = {
      ...usualExercise(familyById(family), instrumentId),
      writtenMidi: one.tubeMidi,
      ...(i === 0 ? { top: partial, pattern: 'upAndBack' } : { partial }),
    };
    const reason = { kind: 'overtone', midi: one.soundedMidi, partial, percent: 100 * success } as const;
    return { exercise, reason, weight: 0.95 - 0.15 * i };
  });
}

function ordinary(plan: PlanFor, family: string, midi: number, kind: OrdinaryKind, weight: number): Candidate {
  const usual = usualExercise(familyById(family), plan.instrumentId);
  const exercise = 'writtenMidi' in usual ? { ...usual, writtenMidi: midi } : usual;
  return { exercise, reason: { kind, midi }, weight };
}

/** A candidate as it stands with this player now: where it went on to, fit for the hour; undefined when not for today. */
function readied(candidate: Candidate, { recent, quiet, nowMs, day }: PlanFor): Candidate | undefined {
  const name = exerciseKey(candidate.exercise);
  const same = recent
    .filter((one) => exerciseKey(one.parameters) === name)
    .sort((a, b) => a.startedAtMs - b.startedAtMs);
  const last = same.at(-1);
  if (last?.decision === 'leave' && last.day === day) return undefined;
  const remembered = last && nowMs - last.startedAtMs < REMEMBERED_DAYS * DAY_MS;
  let exercise: ExerciseParameters = remembered
    ? playable({ ...last.parameters, ...last.next }, candidate.exercise)
    : candidate.exercise;
  const fresh = last && nowMs - last.startedAtMs < FRESH_DAYS * DAY_MS;
  const goal = candidate.reason.kind === 'goal' || candidate.reason.kind === 'warmUp';
  if (quiet) {
    const softer = softened(exercise);
    if (!softer) return undefined;
    exercise = softer;
  }
  return { ...candidate, exercise, weight: candidate.weight * (fresh && !goal ? 0.7 : 1) };
}

/** The exercise without loud bell notes, else undefined. */
function softened(exercise: ExerciseParameters): ExerciseParameters | undefined {
  const soft = playable(
    {
      ...exercise,
      ...('dynamic' in exercise && loud(exercise['dynamic']) && { dynamic: 'mp' }),
      ...('loudest' in exercise && loud(exercise['loudest']) && { loudest: 'mf' }),
    },
    exercise,
  );
  const loudBell = exerciseScore(soft).steps.some(
    (step) => step.fingeredMidi <= LAST_BELL_MIDI && step.dynamics.some((one) => loud(one.dynamic)),
  );
  return loudBell ? undefined : soft;
}

function loud(dynamic: unknown): boolean {
  return dynamicPosition(dynamic as 'f') > dynamicPosition('mf');
}

function playable(exercise: ExerciseParameters, otherwise: ExerciseParameters): ExerciseParameters {
  try {
    exerciseScore(exercise);
    return exercise;
  } catch {
    return otherwise;
  }
}

function reasonOf({ midi, reason, value }: Need): Reason {
  return { kind: reason, midi, value };
}

function inOrder(blocks: readonly SessionBlock[]): SessionBlock[] {
  const stage = (block: SessionBlock) => STAGES.indexOf(familyById(block.exercise.family).stage);
  return [...blocks].sort((a, b) => stage(a) - stage(b) || noteOf(a) - noteOf(b));
}

/** Rests: at least a breath, longer after what tires; what is left of the minutes goes into them. */
function withRests(blocks: readonly SessionBlock[], budgetS: number): SessionBlock[] {
  if (blocks.length === 0) return [];
  let restS = budgetS - blocks.reduce((sum, one) => sum + blockS({ ...one, restS: 0 }), 0);
  const wish = blocks.map((block, i): number => {
    if (i === blocks.length - 1) return 0;
    return tires(block) ? REST_S.tiring : REST_S.least;
  });
  const scale = Math.min(
    1,
    restS /
      Math.max(
        1,
        wish.reduce((sum, one) => sum + one, 0),
      ),
  );
  const rests = wish.map((one) => one * scale);
  restS -= rests.reduce((sum, one) => sum + one, 0);
  const each = restS / Math.max(1, blocks.length - 1);
  return blocks.map((block, i) => ({
    ...block,
    restS: i === blocks.length - 1 ? 0 : Math.min(REST_S.most, Math.round(rests[i]! + each)),
  }));
}

/** High and loud, or long overtones: the ears and the lip want a pause after it. */
function tires({ exercise }: SessionBlock): boolean {
  const { stage } = familyById(exercise.family);
  return stage === 'altissimo' || stage === 'overtones' || zoneOf(Number(exercise['writtenMidi'] ?? 0)) === 'palm';
}

function noteOf({ exercise }: SessionBlock): number {
  return Number(exercise['writtenMidi'] ?? 67);
}

const daysBetween = (from: string, to: string) => dayNumber(to) - dayNumber(from);

/** A small number that is the same for the same candidate and day: which of two equals comes first. */
function jitter({ exercise }: Candidate, day: string): number {
  let hash = 7;
  for (const letter of `${day} ${exerciseKey(exercise)}`) hash = (Math.imul(hash, 31) + letter.charCodeAt(0)) >>> 0;
  return hash;
}
