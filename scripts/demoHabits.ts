import { SeededRandom, type Habits, type NoteHabit } from '@inner-hum/core/simulate';
import type { InstrumentId, LevelRuler } from '@inner-hum/core/theory';

export const RULER: LevelRuler = { softestDb: -46, loudestDb: -17, origin: 'measured' };
export const DAYS = 56;
/** The pads of the baritone leak from one day to another; then they were seen to. */
export const LEAK = { from: 9, to: 19 } as const;
export interface Planned {
  readonly horn: InstrumentId;
  readonly family: string;
  readonly change: Change;
  readonly habits?: Partial<Habits>;
  readonly note?: string;
  readonly cue?: string;
}

export const random = new SeededRandom(2026);
/** 1 on the first day, falling to about a third on the last. */
export const unpractised = (day: number) => 0.33 + 0.67 * Math.exp(-day / 24);

/** What each note of a horn does besides, as the player has it on a day: some of it is the horn's and stays. */
const own = (seed: number, lowest: number): Readonly<Record<number, Required<Pick<NoteHabit, 'cents' | 'tiltDb'>>>> => {
  const chance = new SeededRandom(seed);
  return Object.fromEntries(
    Array.from({ length: 46 }, (_, i) => {
      const midi = lowest + i;
      const cents =
        7 * Math.sin(i / 5) + 3 * chance.normal() + (midi === 74 ? 17 : midi === 73 ? -11 : midi > 86 ? 9 : 0);
      return [midi, { cents, tiltDb: 0.8 * chance.normal() + (midi === 73 ? -2.5 : 0) }];
    }),
  );
};
const NOTES = { alto: own(5, 58), baritoneLowA: own(6, 57) };

export function noteHabits(horn: 'alto' | 'baritoneLowA', day: number): Record<number, NoteHabit> {
  const much = unpractised(day);
  const lowest = horn === 'alto' ? 58 : 57;
  return Object.fromEntries(
    Object.entries(NOTES[horn]).map(([key, { cents, tiltDb }]) => {
      const midi = Number(key);
      const low = Math.max(0, 1 - (midi - lowest) / 6);
      const leaks = horn === 'baritoneLowA' && day >= LEAK.from && day <= LEAK.to && midi <= 61;
      const responseS = 0.12 * low * much + (leaks ? 0.12 : 0);
      // The three lowest notes go up the octave when they get soft, later and later as the weeks go by.
      const edge = midi < lowest + 3 && { breaksUnderDb: RULER.softestDb - 1 + 8 * much };
      return [midi, { cents: cents * (0.4 + 0.6 * much), tiltDb, responseS, ...edge }];
    }),
  );
}

/** Reeds in rotation: the second is stiffer, the third was good and tires in the last weeks. */
export const REEDS = ['first', 'second', 'third'] as const;
export function reedHabits(reed: (typeof REEDS)[number], day: number): Partial<Habits> {
  if (reed === 'second') return { responseS: 0.06, breathDb: -29, tuningCents: 3 };
  if (reed === 'third') return { wobbleCents: day > 40 ? 5 : 2, tuningCents: day > 40 ? -4 : 0 };
  return {};
}

export const soft = (day: number): Partial<Planned> => ({
  habits: { sharpWhenSoftCents: 13 * unpractised(day) },
  ...(day % 5 === 0 && { cue: day % 10 === 0 ? 'softPlaying.slow' : 'softPlaying.pressure' }),
  ...(day === 33 && { note: 'Even for the first time, top to bottom.' }),
});
export const ladder = (day: number): Partial<Habits> =>
  day < 14 ? { partialTooLow: true } : day < 30 ? { glitchS: 0.13 } : {};
export const match = (day: number): Partial<Habits> => ({
  pairTiltDb: -5 * unpractised(day),
  pairCents: 22 * unpractised(day),
});
export const softEntry = (day: number): Partial<Habits> => ({ breathDb: -34 + 14 * unpractised(day) });
export function leakOn(day: number): Partial<Planned> {
  if (day < LEAK.from || day > LEAK.to) return day === LEAK.to + 2 ? { note: 'After the repair: it speaks.' } : {};
  return {
    habits: { failsWith: 'both' },
    ...(day === LEAK.to - 1 && { note: 'Tongued and breathed, both stutter, on both reeds: have the pads looked at.' }),
  };
}

export type Change = Readonly<Record<string, number | string>>;
