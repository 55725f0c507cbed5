import { CLEAN_HABITS, type Habits } from '@inner-hum/core/simulate';
import type { HabitName } from '../store/settings';

const CHANGES: Record<HabitName, Partial<Habits>> = {
  clean: {},
  sharpWhenSoft: { sharpWhenSoftCents: 12 },
  stair: { stairs: [{ place: 0.35, db: 5 }] },
  jump: { jumps: [{ place: 0.75, partial: 2, lastsS: 0.25 }] },
  airy: { breathDb: -16, breathWhenSoftDb: 4 },
  late: { lateS: 0.16 },
};

/** Habits of the stand-in player by the name the player chose. */
export function habitsNamed(name: HabitName): Habits {
  return { ...CLEAN_HABITS, ...CHANGES[name] };
}
