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
  /** the newest, in a ring */
  private readonly recent = new Float64Array(BEFORE_FRAMES);
  private seen = 0;
  private before = 0;
  private count = 0;

  constructor(private readonly partials: readonly number[]) {}

  clear(): void {
    this.seen = 0;
    this.before = 0;
    this.count = 0;
  }

  /** Takes the next frame's partials, which begin at `from`; gives by how much they have come up, dB; 0 while too little is known. */
  next(partialsDb: ArrayLike<number>, from: number): number {
    const { recent, partials } = this;
    let out = 0;
    for (let k = 0; k < partials.length; k++) {
      const at = from + partials[k]! - 1;
      out += levelAt(partialsDb, at) - (levelAt(partialsDb, at - 1) + levelAt(partialsDb, at + 1)) / 2;
    }
    const place = this.seen % BEFORE_FRAMES;
    if (this.seen >= BEFORE_FRAMES) {
      this.count++;
      this.before += (recent[place]! - this.before) * Math.max(FORGETS, 1 / this.count);
    }
    recent[place] = out / partials.length;
    this.seen++;
    if (this.count < LEAST_FRAMES) return 0;
    let now = 0;
    for (let k = 1; k <= NOW_FRAMES; k++) now += recent[(this.seen - k) % BEFORE_FRAMES]!;
    return now / NOW_FRAMES - this.before;
  }
}

const levelAt = (partialsDb: ArrayLike<number>, at: number) => Math.max(FLOOR_DB, partialsDb[at]!);

/**
 * Hears, frame by frame, whether the octave or the twelfth mixes into a tone that still sounds as itself: the early sign of
 * a break. Each tone is set against itself a while ago, since how strong its partials are is the horn's and the player's.
 */
export class UpperMix {
  private readonly families = FAMILIES.map((partials) => new Family(partials));
  private frames = 0;
  private hz = 0;
  private over = 0;

  /** Whether an upper tone mixes in at the next frame, whose partials begin at `from`, dB; 0 Hz is no tone. */
  next(hz: number, partialsDb: ArrayLike<number>, from = 0): boolean {
    if (hz === 0 || this.hz === 0 || Math.abs(centsBetweenHz(this.hz, hz)) > SAME_TONE_CENTS) {
      for (const family of this.families) family.clear();
      this.frames = 0;
      this.over = 0;
    }
    this.hz = hz;
    if (hz === 0 || ++this.frames <= START_FRAMES) return false;
    let risen = false;
    for (const family of this.families) risen = family.next(partialsDb, from) > RISE_DB || risen;
    this.over = risen ? this.over + 1 : 0;
    return this.over >= LASTS_FRAMES;
  }
}
