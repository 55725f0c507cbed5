import { centsBetweenHz } from '@inner-hum/core/theory';
import { askedHz } from './askedHz';
import type { Score, Step } from './score';

/** What a family that climbs offers: on the beat, or tone by tone, when one has been clear for so many seconds. */
export const GOES_ON = ['beat', 'clear1', 'clear2', 'clear4'] as const;
const CLEAR_S: Readonly<Record<(typeof GOES_ON)[number], number | undefined>> = {
  beat: undefined,
  clear1: 1,
  clear2: 2,
  clear4: 4,
};
/** A tone is the one that is asked for within this, cents: half way to a neighbour; a voice less near. */
const SAME_CENTS = 50;
const HUM_CENTS = 100;
/** A hole this short does not end a tone, seconds. */
const HOLE_S = 0.05;
/** A tone that is to be started anew has been silent for so long before, seconds. */
const ANEW_S = 0.08;
/** What is looked for less long when the take ends was not yet tried, seconds. */
const TRIED_S = 2;
/** Seconds are the beats of what was led by ear. */
const SECONDS_BPM = 60;

/** For how long each tone of an exercise must be clear before it goes on, seconds; undefined where it follows the beat. */
export function clearSeconds(goesOn: unknown): number | undefined {
  return GOES_ON.includes(goesOn as 'beat') ? CLEAR_S[goesOn as 'beat'] : undefined;
}

/** A tone that was cleared: how long something else sounded before, from when to when it was clear. Seconds, on the caller's clock. */
export interface LedTone {
  readonly soughtS: number;
  readonly fromS: number;
  readonly toS: number;
}

/** Goes on in a score from what is heard, frame by frame. */
export class EarLed {
  readonly tones: LedTone[] = [];
  private soughtS = 0;
  private heardAtS: number | undefined;
  private fromS: number | undefined;
  private goodAtS = 0;
  private silentFromS: number | undefined;
  private mustEnd = false;

  constructor(
    private readonly score: Score,
    private readonly a4Hz: number,
    private readonly clearS: number,
  ) {}

  /** The step that is asked for; undefined once all are clear. */
  get step(): Step | undefined {
    return this.score.steps[this.tones.length];
  }

  /** How much of the asked time the present tone has been clear, 0–1. */
  get share(): number {
    return this.fromS === undefined ? 0 : Math.min(1, (this.goodAtS - this.fromS) / this.clearS);
  }

  /** Hears a frame of 10 ms; `hz` is 0 where no tone sounds. Gives whether its step is clear by it. */
  hear(atS: number, hz: number): boolean {
    const wentOn = this.follow(atS, hz);
    this.heardAtS = atS;
    return wentOn;
  }

  private follow(atS: number, hz: number): boolean {
    const { step } = this;
    if (!step) return false;
    if (hz > 0) this.silentFromS = undefined;
    else this.silentFromS ??= atS;
    if (this.mustEnd && (this.silentFromS === undefined || atS - this.silentFromS < ANEW_S)) return false;
    this.mustEnd = false;
    if (hz > 0 && this.isAsked(step, hz)) {
      this.fromS ??= atS;
      this.goodAtS = atS;
    } else {
      if (hz > 0) this.soughtS += atS - (this.heardAtS ?? atS);
      if (atS - this.goodAtS > HOLE_S) this.forget();
    }
    if (this.fromS === undefined || this.goodAtS - this.fromS < this.clearS) return false;
    this.tones.push({ soughtS: this.soughtS, fromS: this.fromS, toS: atS });
    this.mustEnd = this.step?.attack !== 'slurred';
    this.soughtS = 0;
    this.fromS = undefined;
    return true;
  }

  /** What was clear, but not for long enough, was still the search. */
  private forget(): void {
    if (this.fromS !== undefined) this.soughtS += this.goodAtS - this.fromS;
    this.fromS = undefined;
  }

  /**
   * The score as it was led, its beats seconds from `firstS`: each tone where it was clear, with how long it took to get
   * there; one more where the take ended while a tone was tried.
   *
   * @param endS when listening ended
   */
  led(firstS: number, endS: number): Score {
    const { steps } = this.score;
    const found = this.tones.map(({ soughtS, fromS, toS }, i) => at(steps[i]!, fromS - firstS, toS - fromS, soughtS));
    const askedAtS = this.tones.at(-1)?.toS ?? firstS;
    const tried = this.step && (found.length === 0 || endS - askedAtS >= TRIED_S);
    const last = tried ? [at(this.step, askedAtS - firstS, Math.max(1, endS - askedAtS))] : [];
    // What lies between tones is the search for the next one: none of the written gaps.
    return { ...this.score, gaps: [], tempoBpm: SECONDS_BPM, countInBeats: 0, steps: [...found, ...last] };
  }

  private isAsked(step: Step, hz: number): boolean {
    if (step.freePitch) return true;
    const cents = centsBetweenHz(askedHz(this.score, step, this.a4Hz).targetHz, hz);
    if (step.hum) return Math.abs(cents - 1200 * Math.round(cents / 1200)) <= HUM_CENTS;
    return Math.abs(cents) <= SAME_CENTS;
  }
}

/** A step moved to where it was played, its dynamics spread over what it lasted. */
function at(step: Step, startBeat: number, beats: number, foundAfterS?: number): Step {
  return {
    ...step,
    startBeat,
    beats,
    dynamics: step.dynamics.map((point) => ({ ...point, beat: (point.beat * beats) / step.beats })),
    ...(foundAfterS !== undefined && { foundAfterS }),
  };
}
