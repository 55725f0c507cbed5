/** How one note of a horn behaves beside its neighbours. */
export interface NoteHabit {
  readonly cents?: number;
  /** more air before it speaks, seconds */
  readonly responseS?: number;
  readonly levelDb?: number;
  /** brighter (darker, negative), dB for each octave of partials */
  readonly tiltDb?: number;
  /** softer than this it goes to its octave, dBFS; a little otherwise from tone to tone */
  readonly breaksUnderDb?: number;
}

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
  /** fast unsteadiness of pitch (cents) and level (dB) from moment to moment, as every reed has */
  readonly jitterCents: number;
  readonly shimmerDb: number;
  /** begins this much under the tone's pitch and glides up to it in a tenth of a second, cents */
  readonly scoopCents: number;
  /** moves by this much while the tone is let go, cents */
  readonly slipCents: number;
  /** air that runs before the tone speaks, seconds; the lowest notes need up to 40 ms more */
  readonly responseS: number;
  /** sudden level steps against the plan */
  readonly stairs: readonly { readonly place: number; readonly db: number }[];
  /** breaks into another partial for a while; into the next one where it is the note's own */
  readonly jumps: readonly { readonly place: number; readonly partial: number; readonly lastsS: number }[];
  /** stops sounding for a while */
  readonly dropOuts: readonly { readonly place: number; readonly lastsS: number }[];
  /** how much louder a tone starts than it goes on, dB */
  readonly overshootDb: number;
  /** how far air that runs without a tone swells and sinks to each side, dB */
  readonly airWavesDb: number;
  /** breath noise under a loud tone, dB */
  readonly breathDb: number;
  /** how much more breath noise for each 10 dB softer than the loudest of the plan, dB */
  readonly breathWhenSoftDb: number;
  /** plays all louder (softer, negative), dB, and nothing softer than this place on the ruler, 0–1 */
  readonly loudDb: number;
  readonly softestPlace: number;
  /** how much of a subtone's voice there is where one is asked for, 0–1: darker and airier than plain soft */
  readonly subtoneShare: number;
  /** flatter by this much at the soft end of the ruler, cents */
  readonly sagsSoftCents: number;
  /** how far the colour goes from the brightest vowel to the darkest, dB for each octave of partials */
  readonly vowelTiltDb: number;
  /** how long a tone without a set end lasts, seconds */
  readonly breathS: number;
  /** ends each tone after this share of its length */
  readonly stopsAt: number;
  /** silence before a slurred tone, seconds, and its level against the plan, dB */
  readonly slurGapS: number;
  readonly slurStepDb: number;
  /** draws breath where none is to be taken */
  readonly breathesBetween: boolean;
  /** tilt of the colour of a tone that should be like the one before it, dB for each octave of partials */
  readonly pairTiltDb: number;
  /** sounds the next lower partial instead of an overtone */
  readonly partialTooLow: boolean;
  /** how long a slurred change of partial or fingering sounds neither, seconds */
  readonly glitchS: number;
  /** how long the first of a pair goes on after the change, seconds; negative: how much sooner the second one comes */
  readonly changeLateS: number;
  /** how far the moments of changes wander around that, seconds */
  readonly changeWanderS: number;
  /** how much higher (cents) and louder (dB) the second of a pair is */
  readonly pairCents: number;
  readonly pairDb: number;
  /** hums this much off, cents, and bends by this share of what is asked */
  readonly humCents: number;
  readonly bendShare: number;
  /** where a bend comes back to against where it began, cents */
  readonly bendOffCents: number;
  /** falls into a bend at once instead of gliding */
  readonly bendBreaks: boolean;
  /** how much the colour opens for each 10 dB louder, dB for each octave of partials, beyond what the horn does */
  readonly opensWhenLoudDb: number;
  /** what single written notes do besides */
  readonly perNote: Readonly<Record<number, NoteHabit>>;
  /** comes in after the beat (before it, negative), seconds */
  readonly lateS: number;
  /** how far the planned range is really played, 1 = all of it */
  readonly rangeShare: number;
  /** peak comes later (earlier, negative) by this share of the tone */
  readonly peakShift: number;
  /** low notes started this way break into the octave */
  readonly failsWith: 'none' | 'tongue' | 'breath' | 'both';
  /** how the reed stands: a stiff one answers late and hisses, a tired one wavers and squeaks */
  readonly reed: 'good' | 'stiff' | 'tired';
  /** how tired the player gets over the score, 0–1: pitch sags, wavers, and the breath leaks */
  readonly fatigue: number;
  /** reverberation of the room, seconds */
  readonly roomS: number;
  readonly vibrato: { readonly rateHz: number; readonly extentCents: number };
  /** a vibrato that is asked for comes so many times as fast and as wide */
  readonly askedVibrato: { readonly rate: number; readonly width: number };
}

/** A steady player without a habit. */
export const CLEAN_HABITS: Habits = {
  sharpWhenSoftCents: 0,
  tuningCents: 0,
  driftCentsPerS: 0,
  wobbleCents: 2,
  jitterCents: 0.6,
  shimmerDb: 0.15,
  scoopCents: 0,
  slipCents: 0,
  responseS: 0.02,
  stairs: [],
  jumps: [],
  dropOuts: [],
  overshootDb: 0,
  airWavesDb: 0,
  breathDb: -34,
  breathWhenSoftDb: 3,
  loudDb: 0,
  softestPlace: 0,
  subtoneShare: 1,
  sagsSoftCents: 0,
  vowelTiltDb: 8,
  breathS: 11,
  stopsAt: 1,
  slurGapS: 0,
  slurStepDb: 0,
  breathesBetween: false,
  pairTiltDb: 0,
  partialTooLow: false,
  glitchS: 0,
  changeLateS: 0,
  changeWanderS: 0,
  pairCents: 0,
  pairDb: 0,
  humCents: 0,
  bendShare: 1,
  bendOffCents: 0,
  bendBreaks: false,
  opensWhenLoudDb: 0,
  perNote: {},
  lateS: 0,
  rangeShare: 1,
  peakShift: 0,
  failsWith: 'none',
  reed: 'good',
  fatigue: 0,
  roomS: 0,
  vibrato: { rateHz: 5, extentCents: 0 },
  askedVibrato: { rate: 1, width: 1 },
};

/** Faults that can be ordered by name. */
export const FAULTS = {
  sharpWhenSoft: { sharpWhenSoftCents: 12 },
  flatWhenSoft: { sharpWhenSoftCents: -12 },
  sharp: { tuningCents: 19 },
  flat: { tuningCents: -19 },
  rising: { driftCentsPerS: 7 },
  sinking: { driftCentsPerS: -7 },
  unsteady: { wobbleCents: 9 },
  stair: { stairs: [{ place: 0.35, db: 5 }] },
  uneven: {
    stairs: [
      { place: 0.2, db: 5 },
      { place: 0.35, db: -7 },
      { place: 0.6, db: 7 },
    ],
  },
  narrow: { rangeShare: 0.35 },
  noVibrato: { askedVibrato: { rate: 1, width: 0 } },
  vibratoSlow: { askedVibrato: { rate: 0.75, width: 1 } },
  vibratoNarrow: { askedVibrato: { rate: 1, width: 0.4 } },
  vibratoWide: { askedVibrato: { rate: 1, width: 2.2 } },
  alwaysVibrato: { vibrato: { rateHz: 4.8, extentCents: 18 } },
  startsAtOnce: { softestPlace: 0.5 },
  lopsided: { peakShift: 0.3 },
  peakLate: { peakShift: 0.14 },
  peakEarly: { peakShift: -0.14 },
  jump: { jumps: [{ place: 0.75, partial: 2, lastsS: 0.25 }] },
  crack: { jumps: [{ place: 0.3, partial: 2, lastsS: 0.08 }] },
  squeak: { jumps: [{ place: 0.4, partial: 3, lastsS: 0.15 }] },
  dropOut: { dropOuts: [{ place: 0.8, lastsS: 0.15 }] },
  stopsEarly: { stopsAt: 0.7 },
  breaksSlurs: { slurGapS: 0.1 },
  breathes: { slurGapS: 0.45, breathesBetween: true },
  stepsAtSlurs: { slurStepDb: 9 },
  colourApart: { pairTiltDb: -8 },
  staysOneVowel: { vowelTiltDb: 0 },
  tooLoud: { loudDb: 10 },
  tooSoft: { loudDb: -10 },
  neverSoft: { softestPlace: 0.5 },
  plainSubtone: { subtoneShare: 0 },
  sagsSoft: { sagsSoftCents: 40 },
  partialTooLow: { partialTooLow: true },
  slowChange: { glitchS: 0.16 },
  changesLate: { changeLateS: 0.3 },
  changesEarly: { changeLateS: -0.3 },
  changesUnevenly: { changeWanderS: 0.16 },
  pairSharp: { pairCents: 25 },
  pairFlat: { pairCents: -25 },
  pairLouder: { pairDb: 8 },
  pairSofter: { pairDb: -8 },
  humsSharp: { humCents: 60 },
  humsFlat: { humCents: -60 },
  humsOther: { humCents: 400 },
  bendsLittle: { bendShare: 0.4 },
  bendsOff: { bendOffCents: -30 },
  bendsRoughly: { bendBreaks: true },
  opensWhenLoud: { opensWhenLoudDb: 3 },
  airy: { breathDb: -16, breathWhenSoftDb: 4 },
  late: { lateS: 0.16 },
  early: { lateS: -0.16 },
  slowResponse: { responseS: 0.32 },
  scooped: { scoopCents: 60 },
  blasts: { overshootDb: 10 },
  wavyAir: { airWavesDb: 7 },
  slipsAtEnd: { slipCents: -40 },
  tongueFails: { failsWith: 'tongue' },
  airFails: { failsWith: 'breath' },
  bothFail: { failsWith: 'both' },
  stiffReed: { reed: 'stiff' },
  tiredReed: { reed: 'tired' },
  fatigue: { fatigue: 1 },
} as const satisfies Record<string, Partial<Habits>>;

export type FaultName = keyof typeof FAULTS;

/** Habits of a clean player with one fault. */
export function withFault(fault: FaultName | undefined): Habits {
  return fault ? { ...CLEAN_HABITS, ...FAULTS[fault] } : CLEAN_HABITS;
}
