import type { Frames } from './frames';

/** Frames less periodic than this are read through their neighbours, so many to each side. */
const AIRY_BELOW = 0.96;
const REACH_FRAMES = 5;
/** Neighbours further off belong to another tone, cents. */
const SAME_TONE_CENTS = 100;
/** Below this noise moves every frame: it reads twice as far, and follows a curve only where one is plain. */
const ROUGH_BELOW = 0.9;
const ROUGH_REACH_FRAMES = 10;
/** A curve begins to be followed where it leaves so many times less than a mean does, and is followed at twice that. */
const PLAIN_CURVE = 1.5;
/** Neighbours further from the median than so many times the median distance, and than this, cents, are not followed. */
const OUTLIER_SPREADS = 3;
const OUTLIER_CENTS = 8;
/** A curve is laid through no fewer. */
const LEAST_POINTS = 5;

interface Point {
  /** frames from the one that is read */
  readonly at: number;
  readonly cents: number;
}

/**
 * Steadies the pitch of airy frames by the 110 ms around them, in place: of a subtone single frames are 30–50 cents off,
 * since noise moves what little tone is there. A curve of second degree follows a vibrato, where a median would flatten
 * it; of the roughest frames 210 ms are read, as a mean where the pitch is still and as a curve where it plainly moves. Frames of a clear tone stay as they are. Our choice, from the bench; the
 * curve after A. Savitzky, M. J. E. Golay 1964.
 */
export function calmAiry(frames: Pick<Frames, 'count' | 'f0Hz' | 'confidence'>): void {
  const { count, confidence } = frames;
  const read = frames.f0Hz.slice();
  for (let i = 0; i < count; i++) {
    const hz = read[i]!;
    if (hz === 0 || confidence[i]! >= AIRY_BELOW) continue;
    const rough = confidence[i]! < ROUGH_BELOW;
    const reach = rough ? ROUGH_REACH_FRAMES : REACH_FRAMES;
    const near: Point[] = [{ at: 0, cents: 0 }];
    for (const step of [-1, 1])
      for (let at = step; Math.abs(at) <= reach && read[i + at]! > 0; at += step) {
        const cents = 1200 * Math.log2(read[i + at]! / hz);
        if (Math.abs(cents) >= SAME_TONE_CENTS) break;
        near.push({ at, cents });
      }
    const middle = median(near.map(({ cents }) => cents));
    frames.f0Hz[i] = hz * 2 ** ((rough ? roughAround(near, middle) : curveThrough(near, middle)) / 1200);
  }
}

/** Cents at the frame itself of the curve through its neighbours; the median where too few of them agree. */
function curveThrough(near: readonly Point[], middle: number): number {
  const kept = keptOf(near, middle);
  return kept.length < LEAST_POINTS ? middle : curveOf(kept).cents;
}

/** The same of a frame that noise moves: their mean, and the more of their curve the more plainly they follow one. */
function roughAround(near: readonly Point[], middle: number): number {
  const kept = keptOf(near, middle);
  const mean = kept.reduce((sum, { cents }) => sum + cents, 0) / kept.length;
  // To one side alone a curve would only follow the noise at its end.
  if (kept.length <= ROUGH_REACH_FRAMES + 1) return mean;
  const curve = curveOf(kept);
  const left = (lineAt: (at: number) => number) =>
    kept.reduce((sum, { at, cents }) => sum + (cents - lineAt(at)) ** 2, 0);
  const plain = left(() => mean) / Math.max(1e-9, left(curve.at)) / PLAIN_CURVE - 1;
  return mean + Math.max(0, Math.min(1, plain)) * (curve.cents - mean);
}

/** The curve c + b·t + a·t² nearest to points, by least squares: what it is at the frame itself, and anywhere. */
function curveOf(points: readonly Point[]): { readonly cents: number; readonly at: (frames: number) => number } {
  const t = (power: number) => points.reduce((sum, { at }) => sum + at ** power, 0);
  const y = (power: number) => points.reduce((sum, { at, cents }) => sum + cents * at ** power, 0);
  // Normal equations by Cramer's rule.
  const [t0, t1, t2, t3, t4] = [t(0), t(1), t(2), t(3), t(4)];
  const [y0, y1, y2] = [y(0), y(1), y(2)];
  const whole = t0 * (t2 * t4 - t3 * t3) - t1 * (t1 * t4 - t2 * t3) + t2 * (t1 * t3 - t2 * t2);
  const c = (y0 * (t2 * t4 - t3 * t3) - y1 * (t1 * t4 - t2 * t3) + y2 * (t1 * t3 - t2 * t2)) / whole;
  const b = (t0 * (y1 * t4 - y2 * t3) - t1 * (y0 * t4 - y2 * t2) + t2 * (y0 * t3 - y1 * t2)) / whole;
  const a = (t0 * (t2 * y2 - t3 * y1) - t1 * (t1 * y2 - t2 * y1) + y0 * (t1 * t3 - t2 * t2)) / whole;
  return { cents: c, at: (frames) => c + b * frames + a * frames * frames };
}

/** Those that belong together: what lies far off is noise. */
function keptOf(near: readonly Point[], middle: number): Point[] {
  const distance = ({ cents }: Point) => Math.abs(cents - middle);
  const limit = Math.max(OUTLIER_CENTS, OUTLIER_SPREADS * median(near.map(distance)));
  return near.filter((point) => distance(point) <= limit);
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1]!;
}
