import { median, tonesOfSteps, type TakeContext, type ToneOfStep } from '@inner-hum/core/measure';
import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';

/** A tone farther off than this is another note or partial: it is left as it was, cents. */
const REACH_CENTS = 60;
/** Gain goes this far at most, dB. */
const REACH_DB = 12;
/** Frames at both ends of a tone whose level is its attack and its release: their gain is that of the frame next to them. */
const EDGE_FRAMES = 8;
/** Half widths of the smoothing, frames: of the pitch with its vibrato left, with it evened, and of the level. */
const VIBRATO_KEPT = 24;
const VIBRATO_EVENED = 2;
const LEVEL = 2;
/** A tone of another take says how one was played when it has so many frames. */
const LEAST_LIKE_FRAMES = 10;
/** So long before and after a tone its correction stays: an attack has no glide put into it. Frames. */
const HELD_FRAMES = 12;
/** It goes back to nothing over so long; noise between tones is not brought up at all. */
const RETURN_FRAMES = 3;

/** What is to be changed at each frame. */
export interface Controls {
  /** cents by which the pitch is to be drawn */
  readonly cents: Float64Array;
  /** dB by which the level is to be changed */
  readonly gainDb: Float64Array;
  /** planned tone in which nothing was changed, since no tone or another one sounds there, seconds in the sound */
  readonly left: readonly { readonly fromS: number; readonly toS: number }[];
}

/** Another take of the same exercise, to which one is drawn; it may be quicker, slower, or of fewer tones. */
export interface LikeTake {
  readonly frames: Frames;
  readonly context: TakeContext;
}

/** What a tone is drawn to, by the second of its take: cents against its target, dB with a free offset. */
interface Aim {
  readonly centsAt: (atS: number) => number;
  readonly levelDbAt: (atS: number) => number;
}

/**
 * The difference between a take and its plan, or another take's pitch and level, frame by frame. Loudness is free in
 * offset: it is the shape that counts.
 */
export function controlsOf(
  frames: Frames,
  context: TakeContext,
  vibrato: 'kept' | 'evened',
  like?: LikeTake,
): Controls {
  const cents = new Float64Array(frames.count).fill(NaN);
  const gainDb = new Float64Array(frames.count).fill(NaN);
  const others = like && tonesOfSteps(like.frames, like.context);
  const left = tonesOfSteps(frames, context).flatMap((tone, i) => {
    const other = others?.[i];
    const aim = like && other ? aimOf(other, like.frames, tone) : planOf(tone);
    return drawTone(tone, aim, frames, vibrato, cents, gainDb);
  });
  const known = gainDb.filter((db) => !Number.isNaN(db));
  const offsetDb = known.length > 0 ? median(known) : 0;
  for (let i = 0; i < gainDb.length; i++) gainDb[i] = Math.max(-REACH_DB, Math.min(REACH_DB, gainDb[i]! - offsetDb));
  return {
    cents: between(cents, () => HELD_FRAMES),
    gainDb: between(gainDb, (db) => (db > 0 ? 0 : HELD_FRAMES)),
    left,
  };
}

/** The frames of a tone that sound what was meant. */
function ownFrames({ expected, span }: ToneOfStep, f0Hz: ArrayLike<number>): number[] {
  const own: number[] = [];
  for (let i = span?.start ?? 0; i < (span?.end ?? 0); i++)
    if (f0Hz[i]! > 0 && Math.abs(centsBetweenHz(expected.targetHz, f0Hz[i]!)) <= REACH_CENTS) own.push(i);
  return own;
}

const planOf = ({ expected }: ToneOfStep): Aim => ({ centsAt: () => 0, levelDbAt: expected.line.levelDbAt });

/** The pitch and the level of the same tone in the other take, without its vibrato; the plan where it had hardly any, or another note. */
function aimOf(other: ToneOfStep, { f0Hz, levelDb }: Frames, tone: ToneOfStep): Aim {
  const own = ownFrames(other, f0Hz);
  if (own.length < LEAST_LIKE_FRAMES || other.expected.step.soundedMidi !== tone.expected.step.soundedMidi)
    return planOf(tone);
  const slow = (values: number[]) => smoothed(own, values, VIBRATO_KEPT);
  const cents = slow(own.map((i) => centsBetweenHz(other.expected.targetHz, f0Hz[i]!)));
  const levels = slow(own.map((i) => levelDb[i]!));
  const [to, from] = [other.expected.line, tone.expected.line];
  // Beat on beat: it may have been asked for at another tempo.
  const quicker = (to.endS - to.startS) / (from.endS - from.startS);
  const at = (values: readonly number[]) => (atS: number) => {
    const frame = (to.startS + (atS - from.startS) * quicker) / HOP_S;
    const next = own.findIndex((i) => i >= frame);
    return values[next < 0 ? values.length - 1 : next]!;
  };
  return { centsAt: at(cents), levelDbAt: at(levels) };
}

function drawTone(
  tone: ToneOfStep,
  aim: Aim,
  { f0Hz, levelDb }: Frames,
  vibrato: 'kept' | 'evened',
  cents: Float64Array,
  gainDb: Float64Array,
): { fromS: number; toS: number }[] {
  const { expected, span } = tone;
  const { step, line, targetHz } = expected;
  if (!span) return [{ fromS: line.startS, toS: line.endS }];
  const own = ownFrames(tone, f0Hz);
  const missing = stretchesWithout(own, span.start, span.end);
  if (own.length === 0) return missing;
  // A hum, a bend and a pitch that may rest where it does keep their pitch.
  const bound = !step.hum && !step.bendCents && !step.freePitch;
  const width = vibrato === 'kept' || step.vibrato ? VIBRATO_KEPT : VIBRATO_EVENED;
  const played = smoothed(
    own,
    own.map((i) => centsBetweenHz(targetHz, f0Hz[i]!)),
    width,
  );
  const off = smoothed(
    own,
    own.map((i) => aim.levelDbAt(i * HOP_S) - levelDb[i]!),
    LEVEL,
  );
  const inner = (k: number) =>
    Math.max(Math.min(EDGE_FRAMES, own.length >> 1), Math.min(own.length - 1 - EDGE_FRAMES, k));
  own.forEach((i, k) => {
    cents[i] = bound ? aim.centsAt(i * HOP_S) - played[k]! : 0;
    gainDb[i] = off[Math.max(0, Math.min(own.length - 1, inner(k)))]!;
  });
  return missing;
}

/** Stretches of 60 ms and more between two limits that the frames leave out, seconds. */
function stretchesWithout(own: readonly number[], from: number, to: number): { fromS: number; toS: number }[] {
  const edges = [from - 1, ...own, to];
  return edges.slice(1).flatMap((next, k) => {
    const before = edges[k]!;
    return next - before > 6 ? [{ fromS: (before + 1) * HOP_S, toS: next * HOP_S }] : [];
  });
}

/** Mean by a Hann window over the frames that are there, so many to each side. */
function smoothed(frames: readonly number[], values: readonly number[], reach: number): number[] {
  return values.map((_, k) => {
    let sum = 0;
    let weights = 0;
    // As far as both sides reach: a mean of one side would lag behind a moving pitch.
    const room = Math.max(1, Math.min(reach, k, values.length - 1 - k) + 1);
    for (let j = Math.max(0, k - room); j <= Math.min(values.length - 1, k + room); j++) {
      const away = Math.abs(frames[j]! - frames[k]!);
      if (away > room) continue;
      const weight = 0.5 + 0.5 * Math.cos((Math.PI * away) / (room + 1));
      sum += weight * values[j]!;
      weights += weight;
    }
    return sum / weights;
  });
}

/** Fills what lies between tones: as long as `held` says of the nearest value it stays, then it goes back to nothing. */
function between(values: Float64Array, held: (value: number) => number): Float64Array {
  const known = [...values.keys()].filter((i) => !Number.isNaN(values[i]!));
  if (known.length === 0) return values.map(() => 0);
  let k = 0;
  return values.map((value, i) => {
    if (!Number.isNaN(value)) return value;
    while (k + 1 < known.length && Math.abs(known[k + 1]! - i) <= Math.abs(known[k]! - i)) k++;
    const nearest = values[known[k]!]!;
    const beyond = Math.max(0, Math.abs(known[k]! - i) - held(nearest));
    return nearest * Math.max(0, 1 - beyond / RETURN_FRAMES);
  });
}
