/** A day on which a target was worked on. */
export interface TargetDay {
  readonly day: string;
  readonly tries: number;
  readonly inside: number;
  /** whether its first try of the day, at its own dynamic, was inside */
  readonly firstInside: boolean;
  /** how far its tries lay out on average, in limits; of starts that failed their share */
  readonly size: number;
}

/** Secure: the first try inside on three of the last four days, and six of the last eight tries. */
const SECURE = { days: 3, ofDays: 4, tries: 6, ofTries: 8 } as const;
/** Days after which what is secure is looked at again. */
const RETURNS_DAYS = [3, 7, 14, 28] as const;
/**
 * After six lessons without change a target rests for 14 days; after each return that changes nothing within three, twice as long. Ten
 * lessons were too many: what is the horn's and not the player's is among the largest wants, and took the time of all others.
 */
const STUCK = { lessons: 6, again: 3, days: 14, change: 0.1 } as const;

/**
 * How many days after `stateSince` what is secure is looked at again, or what rests is taken up again; undefined where it is looked at
 * no more, or is worked on.
 */
export function daysUntilNext({
  state,
  returns,
  rests,
}: {
  readonly state: string;
  readonly returns: number;
  readonly rests: number;
}): number | undefined {
  if (state === 'secure') return RETURNS_DAYS[returns];
  return state === 'rests' ? STUCK.days * 2 ** (rests - 1) : undefined;
}

/** Whether a target with these days is there. */
export function isSecureNow(days: readonly TargetDay[]): boolean {
  const last = days.slice(-SECURE.ofDays);
  if (last.filter(({ firstInside }) => firstInside).length < SECURE.days) return false;
  let [tries, inside] = [0, 0];
  for (const one of days.toReversed()) {
    if (tries >= SECURE.ofTries) break;
    tries += one.tries;
    inside += one.inside;
  }
  return tries >= SECURE.tries && inside >= (SECURE.tries / SECURE.ofTries) * tries;
}

/** Nothing has come of the last lessons: no more is inside than at first, and it lies as far out. */
export function isStuck({ days, rests }: { readonly days: readonly TargetDay[]; readonly rests: number }): boolean {
  const lessons = rests > 0 ? STUCK.again : STUCK.lessons;
  if (days.length < lessons) return false;
  const mean = (of: readonly TargetDay[], part: (one: TargetDay) => number) =>
    of.reduce((sum, one) => sum + part(one), 0) / of.length;
  const lately = days.slice(-lessons);
  const [first, second] = [lately.slice(0, Math.floor(lessons / 2)), lately.slice(Math.floor(lessons / 2))];
  const more = (part: (one: TargetDay) => number) => mean(second, part) - mean(first, part);
  const nearer = more(({ size }) => size) < -STUCK.change * mean(first, ({ size }) => size);
  return !nearer && more(({ tries, inside }) => inside / tries) <= STUCK.change;
}
