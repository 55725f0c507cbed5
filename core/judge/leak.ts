import { zoneOf } from '@inner-hum/core/theory';

/** A start of a low note that was not slurred to. */
export interface LowStart {
  /** written */
  readonly midi: number;
  readonly attack: 'tongue' | 'breath';
  readonly spoke: boolean;
  /** the player's own day, yyyy-mm-dd */
  readonly day: string;
  /** the player's name for the reed; '' when not said */
  readonly reed: string;
}

/** Starts of one kind, and how many failed. */
export interface StartTally {
  readonly starts: number;
  readonly failed: number;
}

type LeakEvidence =
  | 'bothWays'
  | 'oneWayOnly'
  | 'severalDays'
  | 'oneDay'
  | 'severalReeds'
  | 'oneReed'
  | 'reedsNotSaid'
  | 'upperSpeaks';

/** What failing low starts speak for, and what that rests on, in the order of telling. */
export interface LeakVerdict {
  readonly verdict: 'tooLittle' | 'fine' | 'player' | 'reed' | 'horn';
  readonly evidence: readonly LeakEvidence[];
  /** share of failed starts in each way, 0–1; 0 while there are too few */
  readonly tongue: number;
  readonly breath: number;
  /** days and reeds with failing starts */
  readonly days: number;
  readonly reeds: number;
}

const LEAST_STARTS = 8;
const LEAST_EACH = 4;
/** So many of the starts must fail to be a failing note. */
const FAILING = 0.35;
/** The horn is suspected only over so many days and reeds. */
const DAYS = 2;
const REEDS = 2;

/**
 * What starts say about horn, reed and player: the one detector of leaks. The horn is suspected only when low notes fail
 * tongued and breathed alike, on several days and with several reeds, while other notes speak.
 */
export function leakVerdict(starts: readonly LowStart[]): LeakVerdict {
  const low = starts.filter((start) => zoneOf(start.midi) === 'low');
  const upper = tallyOf(starts.filter((start) => zoneOf(start.midi) !== 'low'));
  const all = tallyOf(low);
  const tongue = tallyOf(low.filter((start) => start.attack === 'tongue'));
  const breath = tallyOf(low.filter((start) => start.attack === 'breath'));
  const reeds = tallyBy(low, 'reed').filter((tally) => tally.value !== '' && tally.starts >= LEAST_EACH);
  const failingReeds = reeds.filter((tally) => fails(tally, LEAST_EACH)).length;
  const days = tallyBy(low, 'day').filter((tally) => fails(tally, 2)).length;
  const shares = { tongue: shareOf(tongue), breath: shareOf(breath), days, reeds: failingReeds };
  if (all.starts < LEAST_STARTS) return { verdict: 'tooLittle', evidence: [], ...shares };
  const bothWays = fails(tongue, LEAST_EACH) && fails(breath, LEAST_EACH);
  if (!fails(all, LEAST_STARTS) && !fails(tongue, LEAST_EACH) && !fails(breath, LEAST_EACH))
    return { verdict: 'fine', evidence: [], ...shares };
  const evidence: LeakEvidence[] = [
    bothWays ? 'bothWays' : 'oneWayOnly',
    days >= DAYS ? 'severalDays' : 'oneDay',
    reeds.length < REEDS ? 'reedsNotSaid' : failingReeds >= REEDS ? 'severalReeds' : 'oneReed',
    ...(upper.starts >= LEAST_STARTS && !fails(upper, LEAST_STARTS) ? (['upperSpeaks'] as const) : []),
  ];
  if (reeds.length >= REEDS && failingReeds === 1) return { verdict: 'reed', evidence, ...shares };
  const horn = bothWays && days >= DAYS && failingReeds >= REEDS && evidence.includes('upperSpeaks');
  return { verdict: horn ? 'horn' : 'player', evidence, ...shares };
}

/** Starts and failures of a lot of starts. */
export function tallyOf(starts: readonly Pick<LowStart, 'spoke'>[]): StartTally {
  return { starts: starts.length, failed: starts.filter((start) => !start.spoke).length };
}

/** Tallies by day or reed, in the order of their names. */
export function tallyBy(
  starts: readonly LowStart[],
  by: 'day' | 'reed',
): readonly (StartTally & { readonly value: string })[] {
  return [...new Set(starts.map((start) => start[by]))]
    .sort()
    .map((value) => ({ value, ...tallyOf(starts.filter((start) => start[by] === value)) }));
}

function shareOf({ starts, failed }: StartTally): number {
  return starts < LEAST_EACH ? 0 : failed / starts;
}

function fails({ starts, failed }: StartTally, least: number): boolean {
  return starts >= least && failed / starts >= FAILING;
}
