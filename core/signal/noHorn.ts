import { PARTIALS_KEPT, SILENCE_DB, type Frames } from './frames';

/** A sound shorter than this must be as periodic as a tone is: a whisper never is, frames. */
const WHISPER_FRAMES = 40;
const WHISPER_CONFIDENCE = 0.8;
/** A shorter one that is full of noise must settle: rattling keys and syllables swell or die all the while, frames. */
const KNOCK_FRAMES = 28;
const KNOCK_BREATH_DB = -24;
/** Range of what has settled, its first and last frames aside: dB, and cents. */
const SETTLED_RANGE_DB = 4;
const SETTLED_RANGE_CENTS = 40;
const EDGE_FRAMES = 3;

/** Stretches of frames that were heard as tone. */
interface Stretch {
  readonly start: number;
  readonly end: number;
}

/**
 * Takes out, in place, short stretches that no horn made: whispers, which are noise with a colour, and rattling metal or
 * speech, which never hold their level. A held tone is never touched, whatever it sounds like. Our choice, from the bench.
 * @returns the stretches that were taken out
 */
export function silenceNoHorn(frames: Frames): Stretch[] {
  const taken = stretchesOf(frames.f0Hz).filter((stretch) => isWhisper(frames, stretch) || isKnock(frames, stretch));
  for (const { start, end } of taken) {
    for (const name of ['f0Hz', 'breathDb', 'centroidPartials', 'pitchErrorCents'] as const)
      frames[name].fill(0, start, end);
    frames.partialsDb.fill(SILENCE_DB, start * PARTIALS_KEPT, end * PARTIALS_KEPT);
  }
  return taken;
}

function stretchesOf(hz: ArrayLike<number>): Stretch[] {
  const found: Stretch[] = [];
  for (let start = 0; start < hz.length; start++) {
    if (!(hz[start]! > 0)) continue;
    let end = start + 1;
    while (end < hz.length && hz[end]! > 0) end++;
    found.push({ start, end });
    start = end;
  }
  return found;
}

function isWhisper({ confidence }: Frames, { start, end }: Stretch): boolean {
  return end - start < WHISPER_FRAMES && middle(confidence.subarray(start, end)) < WHISPER_CONFIDENCE;
}

function isKnock({ breathDb, levelDb, f0Hz }: Frames, { start, end }: Stretch): boolean {
  if (end - start >= KNOCK_FRAMES || middle(breathDb.subarray(start, end)) < KNOCK_BREATH_DB) return false;
  const from = start + EDGE_FRAMES;
  const to = Math.max(from + 1, end - EDGE_FRAMES);
  const level = levelDb.subarray(from, to);
  const hz = f0Hz.subarray(from, to);
  return (
    Math.max(...level) - Math.min(...level) > SETTLED_RANGE_DB ||
    1200 * Math.log2(Math.max(...hz) / Math.min(...hz)) > SETTLED_RANGE_CENTS
  );
}

function middle(values: Float32Array): number {
  return values.slice().sort()[values.length >> 1]!;
}
