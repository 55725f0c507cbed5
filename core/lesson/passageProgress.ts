import type { Digest } from '../history/digest';
import { changeOf, type WeekAnswer } from './theme';

/** One day's takes of a passage: the share of its tone that lay out of the pitch window, 0–1, with its error. */
export interface PassageDay {
  readonly day: string;
  readonly takes: number;
  readonly value: number;
  readonly uncertainty: number;
}

/** How a passage goes: its first day, its last, and whether that is better. */
export interface PassageProgress {
  readonly first: PassageDay;
  readonly last: PassageDay;
  readonly answer: WeekAnswer['answer'];
}

/** From take to take of a passage the share differs by this much, until the player's own spread is known; worth two takes. Our choice. */
const USUAL_SPREAD = 0.08;
const USUAL_WORTH = 2;
/** So much less out of tune is worth knowing. */
const WORTH_KNOWING = 0.05;

/** Takes of one passage, the first day beside the last; undefined before there are two days. */
export function passageProgress(
  digests: readonly Pick<Digest, 'day' | 'startedAtMs' | 'shareInWindow'>[],
): PassageProgress | undefined {
  const days = [...new Set(digests.map(({ day }) => day))].sort();
  if (days.length < 2) return undefined;
  const [first, last] = [days[0]!, days.at(-1)!].map((day) => dayOf(day, digests)) as [PassageDay, PassageDay];
  const measure = ({ value, uncertainty }: PassageDay) => ({ value, uncertainty, notes: 1 });
  return { first, last, answer: changeOf(measure(first), measure(last), WORTH_KNOWING) };
}

function dayOf(day: string, digests: readonly Pick<Digest, 'day' | 'shareInWindow'>[]): PassageDay {
  const out = digests.filter((take) => take.day === day).map(({ shareInWindow }) => 1 - shareInWindow);
  const value = out.reduce((sum, share) => sum + share, 0) / out.length;
  const squares = out.reduce((sum, share) => sum + (share - value) ** 2, 0);
  const spread = Math.sqrt((squares + USUAL_WORTH * USUAL_SPREAD ** 2) / (out.length + USUAL_WORTH - 1));
  return { day, takes: out.length, value, uncertainty: spread / Math.sqrt(out.length) };
}
