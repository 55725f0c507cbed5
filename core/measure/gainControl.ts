import { HOP_S, SILENCE_DB, type Frames } from '@inner-hum/core/signal';
import { median, quantile } from './statistics';

/** What a device does to levels, as far as the sound itself tells. */
export interface GainControl {
  /** the gain follows the level: how far the room's noise fell under the tones and came back, dB */
  readonly gainRidesDb?: number;
  /** pauses are cut to digital silence */
  readonly gated?: true;
}

/** The room is listened to this long before a tone; the breath just before it is left out, seconds. */
const BEFORE = { fromS: 1.2, toS: 0.3 } as const;
/** After a tone the room rings for a moment; then it is listened to until the player breathes, seconds. */
const AFTER = { fromS: 0.12, toS: 0.5 } as const;
const LEAST_FRAMES = 8;
/** The noise fell this much under the first tone, or climbs this much in most of the pauses, dB: a clean room only rings down. */
const FELL_DB = 4;
const CLIMB_DB = 2.5;
const LEAST_CLIMBS = 2;
/** A floor this low is no room's: the device shut the gate, dBFS; through so much of the pauses. */
const GATE_DB = -93;
const GATED_SHARE = 0.1;
/** Shorter stretches of tone are passed over, frames. */
const LEAST_TONE_FRAMES = 20;

/**
 * Whether the gain followed the level, and whether pauses were gated. A gain that follows lifts the room's noise in pauses and
 * pulls it down under tones; a room by itself only rings down after them. Our own rule, measured in `docs/inputs.md`.
 */
export function gainControl(frames: Pick<Frames, 'f0Hz' | 'levelDb' | 'count'>): GainControl {
  const tones = tonesOf(frames);
  const before = tones[0] && floorIn(frames, tones[0].start - at(BEFORE.fromS), tones[0].start - at(BEFORE.toS));
  const after = tones.map(({ end }, i) => {
    const next = tones[i + 1]?.start ?? frames.count + at(BEFORE.toS);
    return floorIn(frames, end + at(AFTER.fromS), Math.min(end + at(AFTER.toS), next - at(BEFORE.toS)));
  });
  const fellDb = before === undefined || after[0] === undefined ? 0 : before - after[0];
  const climbs = tones.slice(1).flatMap(({ start }, i) => {
    const early = after[i];
    const from = Math.max(tones[i]!.end + at(AFTER.toS), start - at(BEFORE.fromS));
    const late = floorIn(frames, from, start - at(BEFORE.toS));
    return early === undefined || late === undefined ? [] : [late - early];
  });
  const climbDb = climbs.length >= LEAST_CLIMBS ? median(climbs) : 0;
  const ridesDb = fellDb >= FELL_DB || climbDb >= CLIMB_DB ? Math.max(fellDb, climbDb) : 0;
  const silent = silentLevels(frames, tones);
  const gatedFrames = silent.filter((db) => db <= GATE_DB).length;
  const gated = silent.length >= LEAST_FRAMES && gatedFrames >= GATED_SHARE * silent.length;
  return { ...(!gated && ridesDb > 0 && { gainRidesDb: ridesDb }), ...(gated && { gated }) };
}

const at = (seconds: number) => Math.round(seconds / HOP_S);

interface Span {
  readonly start: number;
  readonly end: number;
}

function tonesOf({ f0Hz, count }: Pick<Frames, 'f0Hz' | 'count'>): Span[] {
  const spans: Span[] = [];
  for (let i = 0, start = -1; i <= count; i++) {
    const toned = i < count && f0Hz[i]! > 0;
    if (toned && start < 0) start = i;
    if (toned || start < 0) continue;
    if (i - start >= LEAST_TONE_FRAMES) spans.push({ start, end: i });
    start = -1;
  }
  return spans;
}

/** Level of the room in a stretch: its quiet fifth, so that a chair or a key does not count. */
function floorIn({ levelDb }: Pick<Frames, 'levelDb'>, from: number, to: number): number | undefined {
  const floor = levelDb.subarray(Math.max(0, from), Math.max(0, to));
  return floor.length < LEAST_FRAMES ? undefined : quantile(floor, 0.2);
}

function silentLevels({ levelDb, count }: Pick<Frames, 'levelDb' | 'count'>, tones: readonly Span[]): number[] {
  const silent: number[] = [];
  let from = 0;
  for (const { start, end } of [...tones, { start: count, end: count }]) {
    for (let i = from; i < start - at(BEFORE.toS); i++) silent.push(Math.max(SILENCE_DB, levelDb[i]!));
    from = end + at(AFTER.fromS);
  }
  return silent;
}

/** So many samples in a row at full scale are clipped, not a peak that just reaches it. */
const CLIPPED_RUN = 3;
const FULL_SCALE = 0.985;

/** Stretches in which the sound stood at full scale. */
export function clippedStretches(samples: ArrayLike<number>): number {
  let stretches = 0;
  for (let i = 0, run = 0; i < samples.length; i++) {
    run = Math.abs(samples[i]!) >= FULL_SCALE ? run + 1 : 0;
    if (run === CLIPPED_RUN) stretches++;
  }
  return stretches;
}
