import { leakVerdict, tallyBy, tallyOf, type LeakVerdict, type StartTally } from '@inner-hum/core/judge';
import { zoneOf } from '@inner-hum/core/theory';
import { startsOf, type Digest } from '../history/digest';

/** Failing low notes by what could be the reason, and what that speaks for. */
export interface LeakWatch extends Pick<LeakVerdict, 'verdict' | 'evidence'> {
  readonly byAttack: Readonly<Record<'tongue' | 'breath', StartTally>>;
  readonly byReed: readonly (StartTally & { readonly reed: string })[];
  readonly byDay: readonly (StartTally & { readonly day: string })[];
  readonly byBand: Readonly<Record<'soft' | 'medium' | 'loud', StartTally>>;
}

/** What the starts of low notes say about horn, reed and player, with the tables that it rests on. */
export function leakWatch(digests: readonly Digest[]): LeakWatch {
  const starts = digests.flatMap(startsOf);
  const low = starts.filter((start) => zoneOf(start.midi) === 'low');
  const { verdict, evidence } = leakVerdict(starts);
  const band = (name: string) => tallyOf(low.filter((start) => start.band === name));
  return {
    byAttack: {
      tongue: tallyOf(low.filter((start) => start.attack === 'tongue')),
      breath: tallyOf(low.filter((start) => start.attack === 'breath')),
    },
    byReed: tallyBy(low, 'reed').map(({ value: reed, ...tally }) => ({ reed, ...tally })),
    byDay: tallyBy(low, 'day').map(({ value: day, ...tally }) => ({ day, ...tally })),
    byBand: { soft: band('soft'), medium: band('medium'), loud: band('loud') },
    verdict,
    evidence,
  };
}
