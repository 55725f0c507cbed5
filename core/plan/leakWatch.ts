import type { Digest } from './digest';

/** Starts of bell notes in one way, and how many failed. */
export interface StartTally {
  readonly starts: number;
  readonly failed: number;
}

/** Failing bell notes by what could be the reason, and what that speaks for. */
export interface LeakWatch {
  readonly byAttack: Readonly<Record<'tongue' | 'breath', StartTally>>;
  readonly byReed: readonly (StartTally & { readonly reed: string })[];
  readonly byDay: readonly (StartTally & { readonly day: string })[];
  readonly byBand: Readonly<Record<'soft' | 'medium' | 'loud', StartTally>>;
  readonly verdict: 'tooLittle' | 'fine' | 'player' | 'reed' | 'horn';
  /** what the verdict rests on, in the order of telling */
  readonly evidence: readonly LeakEvidence[];
}
export type LeakEvidence =
  'bothWays' | 'oneWayOnly' | 'severalDays' | 'oneDay' | 'severalReeds' | 'oneReed' | 'reedsNotSaid' | 'upperSpeaks';

/** Written C4 and below: nearly the whole tube. */
const LAST_BELL_MIDI = 61;
const LEAST_STARTS = 8;
const LEAST_EACH = 4;
/** So many of the starts must fail to be a failing note. */
const FAILING = 0.35;
/** The horn is suspected only over so many days and reeds. */
const DAYS = 2;
const REEDS = 2;

/**
 * What the starts of bell notes say about horn, reed and player. The horn is suspected only when they fail tongued and
 * breathed alike, on several days and with several reeds, while other notes speak.
 */
export function leakWatch(digests: readonly Digest[]): LeakWatch {
  const tries = digests.flatMap((digest) =>
    digest.seen
      .filter((one) => one.tried && one.partial === 1 && one.attack !== 'slurred')
      .map((one) => ({ ...one, day: digest.day, reed: digest.setup.reed ?? '' })),
  );
  const bell = tries.filter((one) => one.midi <= LAST_BELL_MIDI);
  const tally = (rows: readonly { readonly spoke: boolean }[]): StartTally => ({
    starts: rows.length,
    failed: rows.filter((one) => !one.spoke).length,
  });
  const group = <K extends 'day' | 'reed'>(by: K) =>
    [...new Set(bell.map((one) => one[by]))].sort().map((value) => ({
      [by]: value,
      ...tally(bell.filter((one) => one[by] === value)),
    })) as (StartTally & Record<K, string>)[];
  const of = <K extends 'attack' | 'band'>(by: K, value: string) => tally(bell.filter((one) => one[by] === value));
  const byAttack = { tongue: of('attack', 'tongue'), breath: of('attack', 'breath') };
  const byReed = group('reed');
  const byDay = group('day');
  const byBand = { soft: of('band', 'soft'), medium: of('band', 'medium'), loud: of('band', 'loud') };
  const upper = tally(tries.filter((one) => one.midi > LAST_BELL_MIDI));
  return { byAttack, byReed, byDay, byBand, ...judge(tally(bell), byAttack, byReed, byDay, upper) };
}

function judge(
  all: StartTally,
  { tongue, breath }: LeakWatch['byAttack'],
  byReed: LeakWatch['byReed'],
  byDay: LeakWatch['byDay'],
  upper: StartTally,
): Pick<LeakWatch, 'verdict' | 'evidence'> {
  if (all.starts < LEAST_STARTS) return { verdict: 'tooLittle', evidence: [] };
  if (!fails(all, LEAST_STARTS) && !fails(tongue, LEAST_EACH) && !fails(breath, LEAST_EACH))
    return { verdict: 'fine', evidence: [] };
  const bothWays = fails(tongue, LEAST_EACH) && fails(breath, LEAST_EACH);
  const reeds = byReed.filter((one) => one.reed !== '' && one.starts >= LEAST_EACH);
  const failingReeds = reeds.filter((one) => fails(one, LEAST_EACH));
  const days = byDay.filter((one) => fails(one, 2)).length;
  const evidence: LeakEvidence[] = [
    bothWays ? 'bothWays' : 'oneWayOnly',
    days >= DAYS ? 'severalDays' : 'oneDay',
    reeds.length < REEDS ? 'reedsNotSaid' : failingReeds.length >= REEDS ? 'severalReeds' : 'oneReed',
    ...(upper.starts >= LEAST_STARTS && !fails(upper, LEAST_STARTS) ? (['upperSpeaks'] as const) : []),
  ];
  if (reeds.length >= REEDS && failingReeds.length === 1) return { verdict: 'reed', evidence };
  const horn = bothWays && days >= DAYS && failingReeds.length >= REEDS && evidence.includes('upperSpeaks');
  return { verdict: horn ? 'horn' : 'player', evidence };
}

function fails({ starts, failed }: StartTally, least: number): boolean {
  return starts >= least && failed / starts >= FAILING;
}
