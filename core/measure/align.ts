import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { segmentSpans } from './segment';
import { median } from './statistics';
import { OWN_NOTE_CENTS, type ToneSpan } from './tone';

/** What a step of a score asks for, as far as finding its sound goes. Times are seconds in the frames. */
export interface ExpectedStep {
  readonly startS: number;
  readonly endS: number;
  readonly targetHz: number;
  readonly fingeredHz: number;
  /** a hum: its octave and some of its tuning are the player's own */
  readonly anyOctave?: boolean;
  /** how far under its target it may be on purpose, cents; negative: over it */
  readonly bendCents?: number;
}

/** How far a hum may be off and still be meant for its target, cents. */
const HUM_REACH_CENTS = 250;

/** Costs of an alignment; a step on its place and pitch costs nothing. Our choice. */
const MISSED_STEP = 1;
/** Sound that belongs to no step, for a beat of it or more. */
const FOREIGN_SOUND = 0.7;
const WRONG_PITCH = 1;
/** Another partial of the fingered tube is rather this step's accident than a sound of its own. */
const WRONG_PARTIAL = 0.2;
const DISPLACED_BEAT = 0.25;
const DISPLACED_MOST = 0.9;
const BROKEN_BEAT = 0.3;
/** A tone breaks into at most this many pieces. */
const MOST_PIECES = 8;
/** How long after its plan the end of a tone still counts, seconds. */
const LATE_END_S = 0.3;

/**
 * Which sound belongs to which step, decided for all steps together in their order: a player who starts late, hurries,
 * repeats or leaves out moves the steps along, and no step gets another's sound. Undefined for a step that did not sound.
 * Source: dynamic programming over steps and pieces (D. Sankoff 1972, without reversals); costs are ours.
 */
export function alignSteps(frames: Frames, steps: readonly ExpectedStep[], beatS: number): (ToneSpan | undefined)[] {
  const spansHeard = segmentSpans(frames).flatMap((span) => divideAtSteps(frames, span, steps));
  const pieces = spansHeard.map((span) => ({ ...span, hz: medianHz(frames, span) }));
  const rows = pieces.length + 1;
  const cost = new Float64Array((steps.length + 1) * rows).fill(Infinity);
  const taken = new Int32Array(cost.length).fill(-1);
  cost[0] = 0;
  const foreign = pieces.map((piece) => FOREIGN_SOUND * Math.min(1, ((piece.end - piece.start) * HOP_S) / beatS));
  for (let s = 0; s <= steps.length; s++)
    for (let p = 0; p < rows; p++) {
      const here = cost[s * rows + p]!;
      if (here === Infinity) continue;
      const reach = (toStep: number, toPiece: number, more: number, count: number) => {
        const to = toStep * rows + toPiece;
        if (here + more >= cost[to]!) return;
        cost[to] = here + more;
        taken[to] = count;
      };
      if (p < pieces.length) reach(s, p + 1, foreign[p]!, -1);
      const step = steps[s];
      if (!step) continue;
      reach(s + 1, p, MISSED_STEP, 0);
      for (let count = 1; count <= MOST_PIECES && p + count <= pieces.length; count++)
        reach(s + 1, p + count, costOf(pieces.slice(p, p + count), step, beatS), count);
    }
  const spans: (ToneSpan | undefined)[] = steps.map(() => undefined);
  for (let s = steps.length, p = pieces.length; s > 0 || p > 0;) {
    const count = taken[s * rows + p]!;
    if (count < 0) p--;
    else {
      s--;
      if (count > 0) spans[s] = cut({ start: pieces[p - count]!.start, end: pieces[p - 1]!.end }, steps[s]!);
      p -= count;
    }
  }
  return spans;
}

/** A stretch of one tone, and the pitch about which it lies. */
interface Piece extends ToneSpan {
  readonly hz: number;
}

function medianHz(frames: Frames, { start, end }: ToneSpan): number {
  return median(frames.f0Hz.subarray(start, end));
}

function costOf(pieces: readonly Piece[], step: ExpectedStep, beatS: number): number {
  const displacedBeats = Math.abs(pieces[0]!.start * HOP_S - step.startS) / beatS;
  let cost = Math.min(DISPLACED_MOST, DISPLACED_BEAT * displacedBeats);
  let length = 0;
  let wrong = 0;
  pieces.forEach((piece, i) => {
    const frameCount = piece.end - piece.start;
    length += frameCount;
    wrong += frameCount * pitchCost(piece.hz, step);
    if (i > 0) cost += (BROKEN_BEAT * (piece.start - pieces[i - 1]!.end) * HOP_S) / beatS;
  });
  return cost + wrong / length;
}

function pitchCost(hz: number, { targetHz, fingeredHz, anyOctave, bendCents = 0 }: ExpectedStep): number {
  if (anyOctave) return Math.abs(foldedCents(targetHz, hz)) <= HUM_REACH_CENTS ? 0 : WRONG_PITCH;
  const cents = centsBetweenHz(targetHz, hz);
  // On its way it is down, or up, by as much as it may be.
  const way = cents * Math.sign(-bendCents);
  if (way > 0 && way < Math.abs(bendCents) + OWN_NOTE_CENTS / 2) return 0;
  if (Math.abs(centsBetweenHz(targetHz, hz)) <= OWN_NOTE_CENTS / 2) return 0;
  const nearest = Math.max(1, Math.round(hz / fingeredHz));
  if (Math.abs(centsBetweenHz(nearest * fingeredHz, hz)) <= OWN_NOTE_CENTS / 2) return WRONG_PARTIAL;
  return WRONG_PITCH;
}

/** A tone held on from one step into the next sounds for both: it is divided where the next begins. */
function divideAtSteps(frames: Frames, piece: ToneSpan, steps: readonly ExpectedStep[]): ToneSpan[] {
  const parts: ToneSpan[] = [];
  let { start } = piece;
  const hz = medianHz(frames, piece);
  const near = (targetHz: number) => Math.abs(centsBetweenHz(targetHz, hz)) <= OWN_NOTE_CENTS / 2;
  const onTube = (step: ExpectedStep) => near(Math.max(1, Math.round(hz / step.fingeredHz)) * step.fingeredHz);
  // On one tube a tone that stays where the next partial should come is that partial's failing.
  const goesOn = (before: ExpectedStep, step: ExpectedStep) =>
    before.fingeredHz === step.fingeredHz ? onTube(step) : near(before.targetHz) && near(step.targetHz);
  for (let s = 1; s < steps.length; s++) {
    const before = steps[s - 1]!;
    const step = steps[s]!;
    const middleS = (before.startS + before.endS) / 2;
    if (step.anyOctave || !goesOn(before, step) || start * HOP_S > middleS) continue;
    if (piece.end * HOP_S < (step.startS + step.endS) / 2) continue;
    const at = Math.round(step.startS / HOP_S);
    parts.push({ start, end: at });
    start = at;
  }
  return [...parts, { start, end: piece.end }];
}

/** Interval from a target to a pitch in whatever octave is nearest, −600 to 600 cents. */
export function foldedCents(targetHz: number, hz: number): number {
  const cents = centsBetweenHz(targetHz, hz);
  return cents - 1200 * Math.round(cents / 1200);
}

/** What sounds long after the plan's end, moved along with a late start, is no part of the step. */
function cut({ start, end }: ToneSpan, step: ExpectedStep): ToneSpan {
  const late = Math.max(0, start * HOP_S - step.startS);
  const last = Math.round((step.endS + late + LATE_END_S) / HOP_S);
  return { start, end: Math.max(start + 1, Math.min(end, last)) };
}
