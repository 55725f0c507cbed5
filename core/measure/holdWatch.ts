import { HOP_S } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { median } from './statistics';
import { OWN_NOTE_CENTS } from './tone';

/** A hold begins with so much tone; its first moments are the start, seconds. */
const SETTLES_S = 0.3;
/** The tone's own centre is that of its first seconds; before them it is that of what there is, this long and more. */
const OWN_CENTRE_S = 2;
const LEAST_CENTRE_S = 0.6;
/** Another partial for so long is a jump; a hole for so long a drop-out, and for so long the end of the tone, seconds. */
const JUMP_S = 0.03;
const HOLE_S = 0.06;
const ENDS_S = 0.25;
/** Pitch is smoothed twice over this time, seconds: about a wave of vibrato, which is no fault. */
const SMOOTH_S = 0.17;

/**
 * Tells while a tone is held that it has stopped being good: it jumped, it stopped and came back, or its pitch left the
 * window around its own centre. What `hold` finds afterwards, known within 0.3 s of its moment. A tone that only ends tells
 * nothing: silence is heard anyway.
 */
export class HoldWatch {
  private readonly settled: number[] = [];
  private readonly first = new Running(SMOOTH_S);
  private readonly second = new Running(SMOOTH_S);
  private beganS: number | undefined;
  private lastToneS = 0;
  private elsewhereSinceS: number | undefined;
  private over = false;

  constructor(
    private readonly targetHz: number,
    private readonly windowCents: number,
  ) {}

  /** Hears the next frame, `f0Hz` 0 where there is no tone; true once, when the tone has stopped being good. */
  hear(atS: number, f0Hz: number): boolean {
    if (this.over) return false;
    const cents = f0Hz > 0 ? centsBetweenHz(this.targetHz, f0Hz) : undefined;
    if (this.beganS === undefined) {
      if (cents !== undefined && Math.abs(cents) <= OWN_NOTE_CENTS) [this.beganS, this.lastToneS] = [atS, atS];
      return false;
    }
    if (cents === undefined) {
      if (atS - this.lastToneS >= ENDS_S) this.over = true;
      return false;
    }
    const cameBack = atS - this.lastToneS > HOLE_S;
    this.lastToneS = atS;
    const early = atS - this.beganS < SETTLES_S;
    this.over = !early && (cameBack || this.jumped(atS, cents) || this.left(cents));
    return this.over;
  }

  private jumped(atS: number, cents: number): boolean {
    const elsewhere = Math.abs(cents) > OWN_NOTE_CENTS;
    this.elsewhereSinceS = elsewhere ? (this.elsewhereSinceS ?? atS) : undefined;
    return elsewhere && atS - this.elsewhereSinceS! + HOP_S >= JUMP_S;
  }

  /** Whether the smoothed pitch lies outside the window around the tone's own centre. */
  private left(cents: number): boolean {
    if (this.elsewhereSinceS !== undefined) return false;
    if (this.settled.length * HOP_S < OWN_CENTRE_S) this.settled.push(cents);
    const smooth = this.second.next(this.first.next(cents));
    if (this.settled.length * HOP_S < LEAST_CENTRE_S) return false;
    return Math.abs(smooth - this.centre()) > this.windowCents;
  }

  private centre(): number {
    if (this.ownCentre !== undefined) return this.ownCentre;
    const centre = median(this.settled);
    if (this.settled.length * HOP_S >= OWN_CENTRE_S) this.ownCentre = centre;
    return centre;
  }
  private ownCentre: number | undefined;
}

/** The mean of the newest values. */
class Running {
  private readonly values: number[] = [];

  constructor(private readonly overS: number) {}

  next(value: number): number {
    this.values.push(value);
    if (this.values.length > this.overS / HOP_S) this.values.shift();
    return this.values.reduce((sum, entry) => sum + entry, 0) / this.values.length;
  }
}
