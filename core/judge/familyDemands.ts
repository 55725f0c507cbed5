import type { ChangeId, FindingId } from './verdict';

/** What differs between families: findings that mean nothing there, and what makes them easier and harder, in order. */
export interface FamilyDemand {
  readonly without: readonly FindingId[];
  readonly easier: readonly ChangeId[];
  readonly harder: readonly ChangeId[];
}

const USUAL: FamilyDemand = {
  without: [],
  easier: ['startLouder', 'fasterTempo', 'higherNote', 'shorter', 'fewer'],
  harder: ['softer', 'hideTuner', 'wider', 'slower', 'longer', 'more'],
};
/** Tones that are meant to be airy, or to come after air. */
const AIRY: readonly FindingId[] = ['slowResponse', 'airySoftEnd', 'peakEarly', 'peakLate'];

const OWN: Readonly<Record<string, Partial<FamilyDemand>>> = {
  swell: { easier: ['startLouder', 'fasterTempo'], harder: ['softer', 'hideTuner', 'wider', 'slower'] },
  airIntoTone: { without: [...AIRY, 'late', 'early'], harder: ['softer', 'lowerNote', 'longer', 'more'] },
  hold: { easier: ['startLouder', 'higherNote', 'shorter'], harder: ['hideTuner', 'softer', 'longer'] },
  countedBreaths: { easier: ['shorter', 'fewer', 'fasterTempo'], harder: ['more', 'longer', 'softer'] },
  threeZones: { easier: ['shorter', 'fasterTempo'], harder: ['hideTuner', 'softer', 'longer'] },
  oneBreathDescent: { easier: ['fasterTempo', 'startLouder'], harder: ['softer', 'slower', 'hideTuner'] },
  crossingBreak: {
    without: ['squeak'],
    easier: ['startLouder', 'longer'],
    harder: ['fasterTempo', 'softer', 'hideTuner'],
  },
  tongueOrAir: { easier: ['startLouder', 'higherNote'], harder: ['softer', 'lowerNote'] },
  fullAndSubtone: { without: AIRY, easier: ['startLouder', 'shorter'], harder: ['longer', 'lowerNote'] },
  firstTrace: {
    without: [...AIRY, 'late', 'early'],
    easier: ['higherNote', 'shorter'],
    harder: ['lowerNote', 'longer'],
  },
  fullSpanScale: { easier: ['slower', 'startLouder'], harder: ['fasterTempo', 'softer', 'hideTuner'] },
  endSets: { easier: ['slower', 'startLouder'], harder: ['fasterTempo', 'softer', 'hideTuner'] },
  heardInterval: { easier: ['fewer', 'longer'], harder: ['hideTuner', 'more'] },
  overtoneLadder: { easier: ['fewer', 'startLouder', 'higherNote'], harder: ['more', 'softer', 'hideTuner', 'slower'] },
  overtoneMatch: { easier: ['startLouder', 'fewer', 'higherNote'], harder: ['more', 'softer', 'hideTuner'] },
  // In eighths nothing settles: what counts is the time and the sameness of the pitch.
  quickAlternation: {
    without: ['slowResponse', 'unsteady', 'rising', 'sinking', 'slurStep', 'changeLate', 'changeEarly'],
    easier: ['slower', 'fewer'],
    harder: ['fasterTempo', 'more'],
  },
  shortTwelfths: { easier: ['fewer', 'startLouder', 'slower'], harder: ['more', 'softer', 'fasterTempo'] },
  overtoneRoute: { easier: ['slower', 'startLouder'], harder: ['fasterTempo', 'softer', 'hideTuner'] },
  altissimoVoicing: { easier: ['fewer', 'longer', 'startLouder'], harder: ['more', 'softer', 'hideTuner'] },
  fingeringTrial: { easier: ['startLouder', 'shorter'], harder: ['softer', 'longer'] },
  bend: { easier: ['fewer', 'lowerNote', 'longer'], harder: ['more', 'hideTuner', 'softer'] },
  smallTube: { without: ['slowResponse', 'late', 'early'], easier: ['shorter'], harder: ['longer'] },
  humFirst: { without: ['late', 'early'], easier: ['fewer', 'startLouder'], harder: ['more', 'softer', 'hideTuner'] },
  vowelSweep: { easier: ['shorter', 'higherNote'], harder: ['hideTuner', 'longer', 'lowerNote'] },
};

export function demandsOf(family: string): FamilyDemand {
  return { ...USUAL, ...OWN[family] };
}
