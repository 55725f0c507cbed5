import { centsBetweenHz } from '@inner-hum/core/theory';

/** What a tone breaks into: its octave and its twelfth. Of each, which of the tone's partials are its own too, and stand out. */
const FAMILIES = [
  [2, 4, 6],
  [3, 6],
] as const;
/** Now is the mean over so many frames; before is all that was up to so many frames ago, the last second most. */
const NOW_FRAMES = 12;
const BEFORE_FRAMES = 40;
const FORGETS = 0.015;
/** A tone's first frames tell of its start; so many of before must be known. */
const START_FRAMES = 20;
const LEAST_FRAMES = 20;
/** It mixes in when its partials have come up by so much against their neighbours, dB, for so many frames. Our choice, from the bench. */
const RISE_DB = 2.5;
const LASTS_FRAMES = 8;
/** Farther off, the pitch is another tone's, cents; quieter than this a partial is not there, dB. */
const SAME_TONE_CENTS = 150;
const FLOOR_DB = -95;

/** How far a family of partials stands out of its neighbours, and out of what that was before. */
class Family {
  private readonly recent: number[] = [];
  private before = 0;
  private count = 0;

  constructor(private readonly partials: readonly number[]) {}

  /** Takes the next frame's partials; gives by how much they have come up, dB; 0 while too little is known. */
  next(levelOf: (partial: number) => number): number {
    const out = this.partials.map((n) => levelOf(n) - (levelOf(n - 1) + levelOf(n + 1)) / 2);
    this.recent.push(mean(out));
    if (this.recent.length > BEFORE_FRAMES) {
      this.count++;
      this.before += (this.recent.shift()! - this.before) * Math.max(FORGETS, 1 / this.count);
    }
    return this.count >= LEAST_FRAMES ? mean(this.recent.slice(-NOW_FRAMES)) - this.before : 0;
  }
}

/**
 * Hears, frame by frame, whether the octave or the twelfth mixes into a tone that still sounds as itself: the early sign of
 * a break. Each tone is set against itself a while ago, since how strong its partials are is the horn's and the player's.
 */
export class UpperMix {
  private families: readonly Family[] = [];
  private frames = 0;
  private hz = 0;
  private over = 0;

  /** Whether an upper tone mixes in at the next frame, whose partials begin at `from`, dB; 0 Hz is no tone. */
  next(hz: number, partialsDb: ArrayLike<number>, from = 0): boolean {
    if (hz === 0 || this.hz === 0 || Math.abs(centsBetweenHz(this.hz, hz)) > SAME_TONE_CENTS) {
      this.families = FAMILIES.map((partials) => new Family(partials));
      this.frames = 0;
      this.over = 0;
    }
    this.hz = hz;
    if (hz === 0 || ++this.frames <= START_FRAMES) return false;
    const levelOf = (partial: number) => Math.max(FLOOR_DB, partialsDb[from + partial - 1]!);
    const risen = this.families.map((family) => family.next(levelOf)).some((db) => db > RISE_DB);
    this.over = risen ? this.over + 1 : 0;
    return this.over >= LASTS_FRAMES;
  }
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
