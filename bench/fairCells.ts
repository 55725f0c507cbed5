/** The laws of a model of practice: what a try does. */
export interface Laws {
  /** share of what is left above the floor that a try takes */
  readonly gain: number;
  /** what a neighbour, and the note an octave away, gains of that */
  readonly neighbours: number;
  /** what the first try after another exercise teaches, against a later one */
  readonly afterChange: number;
  /** whether most is learnt where 60 to 90 % succeed */
  readonly peak: boolean;
  /** what a day gives back, as a share of what was taken */
  readonly forgets: number;
  /** whether the n-th try of a day on a note teaches 3/n, or all tries of a day alike */
  readonly spaced: boolean;
  /** share of the wants that are the horn's and don't yield */
  readonly horn: number;
  /** what an hour of practice takes off what its last try teaches */
  readonly tires: number;
  /** share of the days that are skipped */
  readonly skips: number;
  /** how likely a player leaves out a try that is the fourth of the same exercise or more */
  readonly bores: number;
}

const MIDDLE: Laws = {
  gain: 0.06,
  neighbours: 0.4,
  afterChange: 1,
  peak: false,
  forgets: 0.005,
  spaced: false,
  horn: 0.1,
  tires: 0.3,
  skips: 1 / 7,
  bores: 0,
};

/** The cells of the model, fixed before any of them was run: the middle of all laws, and each law at its ends. */
export const CELLS: Readonly<Record<string, Laws>> = {
  'the middle of all': MIDDLE,
  'slow learning': { ...MIDDLE, gain: 0.04 },
  'quick learning': { ...MIDDLE, gain: 0.08 },
  'neighbours gain nothing': { ...MIDDLE, neighbours: 0 },
  'neighbours gain most': { ...MIDDLE, neighbours: 0.8 },
  'a change costs': { ...MIDDLE, afterChange: 0.6 },
  'a change teaches': { ...MIDDLE, afterChange: 1.4 },
  'most is learnt where 60 to 90 % succeed': { ...MIDDLE, peak: true },
  'little is forgotten': { ...MIDDLE, forgets: 0.002 },
  'much is forgotten': { ...MIDDLE, forgets: 0.01 },
  'the n-th try of a day teaches 3/n': { ...MIDDLE, spaced: true },
  'nothing is the horn’s': { ...MIDDLE, horn: 0 },
  'a fifth is the horn’s': { ...MIDDLE, horn: 0.2 },
  'nobody tires': { ...MIDDLE, tires: 0 },
  'who is bored plays less': { ...MIDDLE, bores: 0.5 },
  'a third of the days is skipped': { ...MIDDLE, skips: 1 / 3 },
};
