import type { Digest } from './digest';
import type { DayOfTakes } from './progress';

/**
 * A day tells of tiring from so many takes on: in its last third at least so many broke, a third of them and twice as often
 * as in the first.
 */
const TAKES = 9;
const LEAST_BROKEN = 3;
const LEAST_SHARE = 0.34;
const LEAST_MORE = 0.25;
const TIMES = 2;
/** So many of the last days decide whether a player tires. */
const DAYS = { of: 3, least: 2 } as const;
/** After so many days that were not too long it is over. */
const LATELY = 5;

/** Whether a take broke off or had to be made easier. */
export function isBroken({ decision }: Pick<Digest, 'decision'>): boolean {
  return decision === 'easier' || decision === 'leave';
}

/** The takes of a day's last third. */
export function lateOf<Take>(takes: readonly Take[]): Take[] {
  return takes.slice(Math.floor((2 * takes.length) / 3));
}

/** Whether a day was too long: more breaks in its last third than in its first, or the judge said so. */
export function wasTiring({ takes }: DayOfTakes): boolean {
  if (takes.some(({ findings }) => findings.includes('tiring'))) return true;
  if (takes.length < TAKES) return false;
  const share = (own: readonly Digest[]) => own.filter(isBroken).length / own.length;
  const [early, late] = [share(takes.slice(0, Math.ceil(takes.length / 3))), share(lateOf(takes))];
  const broken = lateOf(takes).filter(isBroken).length;
  return broken >= LEAST_BROKEN && late >= LEAST_SHARE && late >= TIMES * early && late >= early + LEAST_MORE;
}

/** Whether a player tires: two of the last three days were too long. `days` oldest first. */
export function tires(days: readonly DayOfTakes[]): boolean {
  return days.slice(-DAYS.of).filter(wasTiring).length >= DAYS.least;
}

/** Whether a player tires, or did a few days ago: the evenings go on ending with what is easy. `days` oldest first. */
export function tiredLately(days: readonly DayOfTakes[]): boolean {
  return Array.from({ length: LATELY + 1 }, (_, back) => days.slice(0, days.length - back)).some(tires);
}
