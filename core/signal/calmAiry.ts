import type { Frames } from './frames';

/** Frames less periodic than this are read through their neighbours. */
const AIRY_BELOW = 0.94;
/** So many frames to each side: no more than the window under which an airy pitch is measured anyway. */
const REACH_FRAMES = 5;
/** Neighbours further off belong to another tone, cents. */
const SAME_TONE_CENTS = 100;

/**
 * Gives airy frames the median pitch of the 110 ms around them, in place: of a subtone single frames are 30–50 cents off,
 * since noise moves what little tone is there. Frames of a clear tone stay as they are. Our choice, from the bench.
 */
export function calmAiry(frames: Pick<Frames, 'count' | 'f0Hz' | 'confidence'>): void {
  const { count, confidence } = frames;
  const read = frames.f0Hz.slice();
  for (let i = 0; i < count; i++) {
    const hz = read[i]!;
    if (hz === 0 || confidence[i]! >= AIRY_BELOW) continue;
    const belongs = (k: number) =>
      k >= 0 && k < count && read[k]! > 0 && Math.abs(1200 * Math.log2(read[k]! / hz)) < SAME_TONE_CENTS;
    const near = [hz];
    for (const step of [-1, 1])
      for (let away = 1; away <= REACH_FRAMES && belongs(i + step * away); away++) near.push(read[i + step * away]!);
    near.sort((a, b) => a - b);
    const middle = near.length >> 1;
    frames.f0Hz[i] = near.length % 2 ? near[middle]! : Math.sqrt(near[middle - 1]! * near[middle]!);
  }
}
