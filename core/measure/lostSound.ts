/**
 * A stretch of a recording of which the device lost the sound. Seconds from the first frame.
 *
 * `zeros` and `hole`: the time is there, filled with silence. `clock`: the audio clock itself stood still, so that the time
 * is missing between two neighbouring frames; all after it lies so much later than the recording tells.
 */
export interface LostSound {
  readonly atS: number;
  readonly lastsS: number;
  readonly how: 'zeros' | 'hole' | 'clock';
}

/** Share of a take from which on nothing of it is judged. Our choice. */
export const MOST_LOST_SHARE = 0.1;

/** Seconds of sound that were lost in all. */
export function lostSeconds(lost: readonly LostSound[]): number {
  return lost.reduce((sum, { lastsS }) => sum + lastsS, 0);
}

/** What was lost between two places, both taken wider by a margin, seconds. */
export function lostBetween(lost: readonly LostSound[], fromS: number, toS: number, marginS = 0): readonly LostSound[] {
  return lost.filter(({ atS, lastsS, how }) => {
    const endS = how === 'clock' ? atS : atS + lastsS;
    return endS >= fromS - marginS && atS <= toS + marginS;
  });
}

/** The clocks are compared in windows of this length, seconds: a block may come late, but not every one of them. */
const WINDOW_S = 0.1;
/** A fall behind that lasts through so many windows is no lateness. */
const LASTING_WINDOWS = 30;
/** Falls shorter than this are the clocks' own grain, seconds; at the end, where nothing shows whether it lasts, more. */
const LEAST_FALL_S = 0.015;
const LEAST_FALL_AT_END_S = 0.06;
/** The wall clock is set by more than this, or it is only read in whole milliseconds. */
const LEAST_SET_MS = 10;
/** How far two sound clocks may drift apart, as a share: no device is that far off. */
const MOST_DRIFT = 5e-4;

/**
 * Compares the audio clock with a wall clock: where the audio clock falls behind and stays behind, the device stopped
 * recording and said nothing. A drift of the two is no loss, nor is a block that is handed on late and caught up.
 */
export class ClockWatch {
  /** for each window how little the wall clock was ahead at least, and where in the recording that was, seconds */
  private readonly windows: Window[] = [];
  /** which windows have all that follows them that counts, and what was found in them */
  private settled: Followed = { upTo: 0, levelS: Infinity, found: [] };

  /** by how much the wall clock was set since the recording began, milliseconds, and the block before */
  private setMs: number | undefined;
  private before: { readonly recordedS: number; readonly wallMs: number } | undefined;

  /**
   * Takes note that so much was recorded, seconds, when the wall clock showed so many milliseconds.
   *
   * @param offsetMs how far the wall clock was ahead of one that is never set, when the block came in: where it is set
   *   meanwhile, by hand, by the network or after sleep, no sound is lost by that
   */
  note(recordedS: number, wallMs: number, offsetMs = 0): void {
    const aheadS = this.steadyMs(recordedS, wallMs, offsetMs) / 1000 - recordedS;
    const number = Math.floor(recordedS / WINDOW_S);
    const last = this.windows.at(-1);
    if (last?.number !== number) this.windows.push({ number, aheadS, atS: recordedS });
    else if (aheadS < last.aheadS) Object.assign(last, { aheadS, atS: recordedS });
  }

  /** What the wall clock would show had nobody set it since the recording began. */
  private steadyMs(recordedS: number, wallMs: number, offsetMs: number): number {
    this.setMs ??= offsetMs;
    if (this.before && Math.abs(offsetMs - this.setMs) > LEAST_SET_MS) {
      // A block that was on its way when the clock was set carries the time of before.
      const strayMs = (setMs: number) =>
        Math.abs(wallMs - setMs - this.before!.wallMs - 1000 * (recordedS - this.before!.recordedS));
      if (strayMs(offsetMs) < strayMs(this.setMs)) this.setMs = offsetMs;
    }
    const steadyMs = wallMs - this.setMs;
    this.before = { recordedS, wallMs: steadyMs };
    return steadyMs;
  }

  /** Where the audio clock stood still so far, and for how long. Each window is gone through once and no more. */
  lost(): readonly LostSound[] {
    this.settled = this.follow(this.settled, Math.max(0, this.windows.length - LASTING_WINDOWS));
    return this.follow(this.settled, this.windows.length).found;
  }

  private follow({ upTo: from, levelS: before, found: known }: Followed, upTo: number): Followed {
    if (upTo <= from) return { upTo: from, levelS: before, found: known };
    const found = [...known];
    let levelS = before;
    for (let i = from; i < upTo; i++) {
      const following = this.windows.slice(i, i + LASTING_WINDOWS);
      const aheadS = Math.min(...following.map((window) => window.aheadS));
      levelS = Math.min(levelS + MOST_DRIFT * WINDOW_S, aheadS);
      const fallS = aheadS - levelS;
      if (fallS < (following.length < LASTING_WINDOWS ? LEAST_FALL_AT_END_S : LEAST_FALL_S)) continue;
      const atS = ((this.windows[i - 1]?.atS ?? 0) + this.windows[i]!.atS) / 2;
      found.push({ atS, lastsS: fallS, how: 'clock' });
      levelS = aheadS;
    }
    return { upTo, levelS, found };
  }
}

interface Window {
  readonly number: number;
  readonly aheadS: number;
  readonly atS: number;
}

/** How far windows were gone through, at which level the wall clock was ahead there, and what was found. */
interface Followed {
  readonly upTo: number;
  readonly levelS: number;
  readonly found: readonly LostSound[];
}

/** Shorter runs of zeros happen in clean sound: 64 samples at 44.1 kHz, seconds. */
const LEAST_RUN_S = 64 / 44_100;
/** Longer ones are silence that was meant, seconds. */
const LONGEST_RUN_S = 3;

/**
 * Finds runs of exact zeros between sounding samples. A real input always carries noise, so zeros are the device's, never
 * the player's.
 */
export class ZeroRuns {
  readonly lost: LostSound[] = [];
  private run = 0;
  private heard = false;
  private at = 0;

  constructor(private readonly sampleRateHz: number) {}

  /** So many samples never came: they are counted elsewhere. */
  skip(samples: number): void {
    this.at += samples;
    this.run = 0;
  }

  note(samples: Float32Array): void {
    const { sampleRateHz } = this;
    for (const sample of samples) {
      this.at++;
      if (sample === 0) {
        this.run++;
        continue;
      }
      const lastsS = this.run / sampleRateHz;
      if (this.heard && lastsS >= LEAST_RUN_S && lastsS <= LONGEST_RUN_S)
        this.lost.push({ atS: (this.at - 1 - this.run) / sampleRateHz, lastsS, how: 'zeros' });
      this.heard = true;
      this.run = 0;
    }
  }
}
