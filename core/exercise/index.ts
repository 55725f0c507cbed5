export { isDay } from './isDay';
export { cautionsFor } from './cautions';
export { askedHz } from './askedHz';
export { hearingRangeHz } from './hearingRange';
export { breathFit, type BreathFit } from './breathFit';
export { clearSeconds, EarLed, GOES_ON } from './earLed';
export { breathBudget } from './breathBudget';
export {
  choice,
  dynamic,
  eachTime,
  SEMITONES_EACH_TIME,
  highestNote,
  note,
  number,
  passage,
  phrase,
  text,
  tuning,
  type ExerciseParameters,
  type Field,
  type Fields,
  type ValuesOf,
} from './field';
export { scoreOf, series, softerThan, type Tone, type ToneMaker } from './tone';
export { phraseTones } from './phraseTones';
export { passageTones } from './passageTones';
export {
  asksNoBreath,
  beatSeconds,
  gapAt,
  gapsAfter,
  modelOf,
  GAP_KINDS,
  longestRestBeats,
  plannedPosition,
  isOpenEnded,
  notated,
  scoreBeats,
  writtenLeadBeats,
  TEMPO_RANGE_BPM,
  VOWELS,
  type AskedVibrato,
  type Attack,
  type Gap,
  type GapKind,
  type Score,
  type Step,
} from './score';
export { NotPlayable, type ExerciseIssue } from './issue';
export { isPhrase, parsePhrase, phraseText, PhraseError, type PhraseNote } from './phrase';
export { dynamicsLine, type DynamicsLine, type Hairpin } from './dynamicsLine';
export { scoreToAbc, type PartWords } from './notation';
export {
  bestRoute,
  describeRoute,
  NoSourceError,
  ROUTE_AIMS,
  routeChoices,
  type OwnSource,
  type Route,
  type RouteAim,
  type RouteOptions,
} from './routes';
export type { Trial } from './trial';
export { BEAT_PARTS, isOfTriplet, isWritable, placeOf, twelfthsOf } from './grid';
