/** How much a finding weighs: 3 the tone broke · 2 it missed the demand · 1 worth knowing · 0 it went well. */
export type Weight = 0 | 1 | 2 | 3;

/** What can be found, each a sentence of the catalogue, with the numbers that its sentence needs in the units they name. */
export const FINDING_VALUES = {
  notJudged: [],
  tooMuchLost: ['seconds', 'percent'],
  soundLost: ['ms'],
  levelsRide: ['db'],
  levelsGated: [],
  clipped: ['count'],
  bandLimited: ['khz'],
  nothingHeard: [],
  otherNote: ['soundingMidi'],
  jump: ['beat', 'atS', 'partial', 'lastsMs', 'count'],
  crack: ['beat', 'atS', 'partial', 'lastsMs', 'count'],
  squeak: ['beat', 'atS', 'partial', 'lastsMs', 'count'],
  dropOut: ['beat', 'atS', 'lastsMs', 'count'],
  stoppedEarly: ['beats'],
  stairs: ['count', 'beat', 'atS', 'db'],
  wrongWay: ['percent'],
  narrowRange: ['db', 'uncertainty', 'plannedDb'],
  unevenLine: ['db', 'uncertainty'],
  tooLoud: ['db', 'uncertainty'],
  tooSoft: ['db', 'uncertainty'],
  peakEarly: ['beats', 'uncertainty'],
  peakLate: ['beats', 'uncertainty'],
  sharpWhenSoft: ['cents', 'uncertainty'],
  flatWhenSoft: ['cents', 'uncertainty'],
  sharp: ['cents', 'uncertainty'],
  flat: ['cents', 'uncertainty'],
  rising: ['cents', 'uncertainty'],
  sinking: ['cents', 'uncertainty'],
  unsteady: ['cents', 'uncertainty'],
  airySoftEnd: ['db', 'uncertainty'],
  slowResponse: ['ms', 'uncertainty'],
  scooped: ['cents', 'uncertainty'],
  octaveUnder: ['ms', 'uncertainty'],
  slipsAtEnd: ['cents', 'uncertainty'],
  stoppedAfter: ['played', 'total'],
  late: ['ms', 'uncertainty'],
  early: ['ms', 'uncertainty'],
  slurGap: ['ms'],
  slurStep: ['db', 'uncertainty'],
  tongueFails: ['tonguePercent', 'airPercent'],
  airFails: ['tonguePercent', 'airPercent'],
  bothFail: ['tonguePercent', 'airPercent'],
  laterWorse: ['percent', 'ms'],
  colourApart: ['db', 'uncertainty'],
  colourNear: ['db'],
  wrongPartial: ['partial', 'wanted'],
  slowChange: ['ms'],
  changeLate: ['ms', 'uncertainty'],
  changeEarly: ['ms', 'uncertainty'],
  pairSharp: ['cents', 'uncertainty'],
  pairFlat: ['cents', 'uncertainty'],
  pairLouder: ['db', 'uncertainty'],
  pairSofter: ['db', 'uncertainty'],
  unevenTime: ['ms', 'count'],
  hummedOther: ['soundingMidi'],
  humSharp: ['cents', 'uncertainty'],
  humFlat: ['cents', 'uncertainty'],
  humRight: ['cents'],
  bendShallow: ['cents', 'uncertainty', 'asked'],
  bendOff: ['cents', 'uncertainty'],
  bendRough: ['cents', 'uncertainty'],
  bendDeep: ['cents'],
  rests: ['hz'],
  colourOpens: ['partials', 'uncertainty'],
  colourStays: ['partials'],
  colourTravels: ['partials'],
  pairsNearer: ['fromDb', 'db'],
  noSubtone: ['db', 'partials'],
  subtone: ['db'],
  subtoneSags: ['cents'],
  fadeBack: ['db'],
  fadeShallow: ['db', 'plannedDb'],
  fades: ['db'],
  firstTraceAt: ['db'],
  startsAbove: ['db'],
  fromNothing: ['db'],
  vibratoMissing: [],
  vibratoOff: ['waves', 'asked'],
  vibratoNarrow: ['cents', 'asked'],
  vibratoWide: ['cents', 'asked'],
  vibratoUneven: ['percent'],
  vibratoStays: ['cents'],
  vibratoRight: ['waves', 'cents'],
  slopeEverywhere: ['cents', 'notes'],
  slopeHere: ['cents', 'notes'],
  leakLikely: ['tonguePercent', 'airPercent', 'days', 'reeds'],
  steadierNow: ['percent', 'tries'],
  tiring: ['percent', 'tries'],
  held: ['beats', 'seconds'],
  heldUntilPitch: ['beats', 'seconds'],
  heldUntilJump: ['beats', 'seconds'],
  heldUntilGap: ['beats', 'seconds'],
  steady: ['percent', 'tones'],
  even: ['percent', 'db'],
  freeHeld: ['count', 'seconds', 'longestS'],
  freeSteadiest: ['cents'],
  freeSharp: ['cents'],
  freeFlat: ['cents'],
  vibratoHeard: ['hz', 'cents', 'percent'],
} as const satisfies Readonly<Record<string, readonly string[]>>;

export type FindingId = keyof typeof FINDING_VALUES;
export const FINDING_IDS = Object.keys(FINDING_VALUES) as FindingId[];

/** The numbers of a finding's sentence. */
export type ValuesOfFinding<Id extends FindingId> = Readonly<Record<(typeof FINDING_VALUES)[Id][number], number>>;

interface AnyFinding<Id extends FindingId> {
  readonly id: Id;
  readonly weight: Weight;
  /** which step of the score, from 0; the worst one when several have it */
  readonly stepIndex: number;
  /** how many steps have it; 1 when left out */
  readonly steps?: number;
  /** how far over its limit: 1 is at the limit; left out where there is no limit, and in takes of older versions */
  readonly severity?: number;
  readonly values: ValuesOfFinding<Id>;
}

/** One sentence of a verdict with its evidence: the numbers are those of its kind. */
export type Finding = { [Id in FindingId]: AnyFinding<Id> }[FindingId];

/** A finding of a kind; the one place where kind and numbers are put together. */
export function finding<Id extends FindingId>(
  id: Id,
  weight: Weight,
  stepIndex: number,
  values: ValuesOfFinding<Id>,
  severity?: number,
): Finding {
  return { id, weight, stepIndex, values, ...(severity !== undefined && { severity }) } as unknown as Finding;
}
