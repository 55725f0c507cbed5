import type { Truth } from './benchCase';

/** What a tracker says of a sound: frames every 10 ms, f0 0 where it hears no tone. */
export interface Answer {
  readonly f0Hz: ArrayLike<number>;
  readonly levelDb?: ArrayLike<number>;
  readonly onsetsS?: readonly number[];
  readonly jumpsS?: readonly number[];
}

/** Sums that figures are made of; add up over cases. */
export interface Tally {
  voiced: number;
  toneless: number;
  missed: number;
  falseTone: number;
  gross: number;
  octave: number;
  found: number;
  cents: number[];
  levelErrorsDb: number[];
  onsetErrorsS: number[];
  onsets: number;
  /** heard at their time, as a change from a tone whose room still rang */
  onsetsAsChange: number;
  onsetsExtra: number;
  jumps: number;
  jumpsFound: number;
  jumpsFalse: number;
  lengthS: number;
}

export function emptyTally(): Tally {
  return {
    voiced: 0,
    toneless: 0,
    missed: 0,
    falseTone: 0,
    gross: 0,
    octave: 0,
    found: 0,
    cents: [],
    levelErrorsDb: [],
    onsetErrorsS: [],
    onsets: 0,
    onsetsAsChange: 0,
    onsetsExtra: 0,
    jumps: 0,
    jumpsFound: 0,
    jumpsFalse: 0,
    lengthS: 0,
  };
}

/** @param changesS when it heard one tone give way to another: in a room that rings on, a new tone is heard as that */
export function addScore(tally: Tally, truth: Truth, answer: Answer, changesS: readonly number[] = []): void {
  for (let i = 0; i < truth.voiced.length; i++) {
    const heard = answer.f0Hz[i] ?? 0;
    if (truth.voiced[i] === 0) {
      tally.toneless++;
      if (heard > 0) tally.falseTone++;
    }
    if (truth.voiced[i] !== 1) continue;
    tally.voiced++;
    if (!(heard > 0)) {
      tally.missed++;
      continue;
    }
    tally.found++;
    const cents = 1200 * Math.log2(heard / truth.f0Hz[i]!);
    if (Math.abs(cents) > 50) tally.gross++;
    else tally.cents.push(Math.abs(cents));
    const ratio = 2 ** (Math.abs(cents) / 1200);
    if (Math.abs(cents) > 50 && Math.abs(1200 * Math.log2(ratio / Math.round(ratio))) < 50) tally.octave++;
    if (answer.levelDb && i > 2 && Math.abs(truth.levelDb[i - 2]! - truth.levelDb[i + 2]!) < 1)
      tally.levelErrorsDb.push(Math.abs(answer.levelDb[i]! - truth.levelDb[i]!));
  }
  tally.lengthS += truth.voiced.length * 0.01;
  if (answer.onsetsS) {
    const left = [...answer.onsetsS];
    tally.onsets += truth.onsetsS.length;
    for (const onset of truth.onsetsS) {
      const near = nearest(left, onset, 0.15);
      if (near >= 0) tally.onsetErrorsS.push(Math.abs(left.splice(near, 1)[0]! - onset));
      else if (nearest(changesS, onset, 0.06) >= 0) tally.onsetsAsChange++;
    }
    tally.onsetsExtra += left.length;
  }
  if (answer.jumpsS) {
    const left = [...answer.jumpsS];
    tally.jumps += truth.jumpsS.length;
    for (const jump of truth.jumpsS) {
      const near = nearest(left, jump, 0.06);
      if (near < 0) continue;
      left.splice(near, 1);
      tally.jumpsFound++;
    }
    tally.jumpsFalse += left.length;
  }
}

function nearest(times: readonly number[], time: number, within: number): number {
  let best = -1;
  for (let i = 0; i < times.length; i++)
    if (
      Math.abs(times[i]! - time) <= within &&
      (best < 0 || Math.abs(times[i]! - time) < Math.abs(times[best]! - time))
    )
      best = i;
  return best;
}

export function quantile(values: readonly number[], share: number): number {
  if (!values.length) return NaN;
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
}

/** Cells of a row: gross, octave, cents median and 95th, missed, false, onset, level. */
export function figures(tally: Tally): string[] {
  const percent = (part: number, whole: number) => (whole ? ((100 * part) / whole).toFixed(3) : '–');
  const cents = (share: number) => (tally.cents.length ? quantile(tally.cents, share).toFixed(2) : '–');
  const ms = (share: number) => (1000 * quantile(tally.onsetErrorsS, share)).toFixed(1);
  const db = (share: number) => quantile(tally.levelErrorsDb, share).toFixed(2);
  return [
    percent(tally.gross, tally.found),
    percent(tally.octave, tally.found),
    cents(0.5),
    cents(0.95),
    percent(tally.missed, tally.voiced),
    percent(tally.falseTone, tally.toneless),
    tally.onsetErrorsS.length ? `${ms(0.5)} / ${ms(0.95)}` : '–',
    tally.levelErrorsDb.length ? `${db(0.5)} / ${db(0.95)}` : '–',
  ];
}

/** How many true changes of tone were found, and how many were heard where there are none. */
export function jumpFigures({ jumps, jumpsFound, jumpsFalse, lengthS }: Tally): string {
  const found = ((100 * jumpsFound) / jumps).toFixed(1);
  return `${jumpsFound} of ${jumps} found (${found} %), ${((60 * jumpsFalse) / lengthS).toFixed(2)} false a minute`;
}

export function table([head, ...rows]: string[][]): string {
  const line = (cells: string[]) => `| ${cells.join(' | ')} |`;
  return [line(head!), line(head!.map(() => '---')), ...rows.map(line)].join('\n');
}
