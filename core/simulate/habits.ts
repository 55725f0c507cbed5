/** How the stand-in plays. Places are shares of a tone's length, 0 at its start and 1 at its end. */
export interface Habits {
  /** leans sharp by this much for each 10 dB softer than the middle of the plan, cents */
  readonly sharpWhenSoftCents: number;
  /** leans by this much throughout, cents */
  readonly tuningCents: number;
  /** rises (or falls, negative) over each second, cents */
  readonly driftCentsPerS: number;
  /** spread of the pitch around its line, cents */
  readonly wobbleCents: number;
  /** sudden level steps against the plan */
  readonly stairs: readonly { readonly place: number; readonly db: number }[];
  /** breaks into another partial for a while */
  readonly jumps: readonly { readonly place: number; readonly partial: number; readonly lastsS: number }[];
  /** stops sounding for a while */
  readonly dropOuts: readonly { readonly place: number; readonly lastsS: number }[];
  /** breath noise under a loud tone, dB */
  readonly breathDb: number;
  /** how much more breath noise for each 10 dB softer than the loudest of the plan, dB */
  readonly breathWhenSoftDb: number;
  /** comes in after the beat (before it, negative), seconds */
  readonly lateS: number;
  /** how far the planned range is really played, 1 = all of it */
  readonly rangeShare: number;
  /** peak comes later (earlier, negative) by this share of the tone */
  readonly peakShift: number;
  readonly vibrato: { readonly rateHz: number; readonly extentCents: number };
}

/** A steady player without a habit. */
export const CLEAN_HABITS: Habits = {
  sharpWhenSoftCents: 0,
  tuningCents: 0,
  driftCentsPerS: 0,
  wobbleCents: 2,
  stairs: [],
  jumps: [],
  dropOuts: [],
  breathDb: -34,
  breathWhenSoftDb: 3,
  lateS: 0,
  rangeShare: 1,
  peakShift: 0,
  vibrato: { rateHz: 5, extentCents: 0 },
};
