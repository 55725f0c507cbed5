import type { Family, Stage } from '@inner-hum/core/families';

/** What stands in a session, in the order of a practice. */
export const SLOTS = ['wake', 'measure', 'places', 'low', 'overtones', 'altissimo', 'music'] as const;
export type Slot = (typeof SLOTS)[number];

const OF_STAGE: Readonly<Record<Stage, Slot>> = {
  lowEnd: 'wake',
  longTones: 'places',
  swells: 'places',
  descents: 'low',
  lowRegister: 'low',
  overtones: 'overtones',
  altissimo: 'altissimo',
  wholeHorn: 'music',
};

/** Where a family stands in a session. */
export function slotOf({ stage, teaching }: Pick<Family, 'stage' | 'teaching'>): Slot {
  return teaching.planned?.slot ?? OF_STAGE[stage];
}

/** One block for so many minutes; a player who stays longer on fewer things has fewer. */
const MINUTES_A_BLOCK = { sweep: 2.75, dwell: 4.5 } as const;
/** With fewer blocks than this the low register takes its turn among the weakest places. */
const ENOUGH_FOR_LOW = 6;

/** What a lesson is made of: how many blocks stand in each slot. */
export interface Lesson {
  readonly blocks: Readonly<Record<Slot, number>>;
  /** families of the low register compete for the weakest places */
  readonly lowAmongPlaces: boolean;
}

/**
 * The lesson of so many minutes: it wakes the low end, measures when that is due, works on the weakest places, has overtones,
 * and ends in something musical. Longer lessons have more places, not more of the same. Our choice.
 */
export function lessonOf(
  minutes: number,
  style: keyof typeof MINUTES_A_BLOCK,
  { measures, altissimo }: { readonly measures: boolean; readonly altissimo: boolean },
): Lesson {
  const count = Math.max(3, Math.round(minutes / MINUTES_A_BLOCK[style]));
  const long = count >= 14;
  const low = count < ENOUGH_FOR_LOW ? 0 : Math.round(count * 0.2);
  const overtones = Math.max(1, Math.round(count * 0.18));
  const high = altissimo && count >= 4 ? Math.max(1, Math.round(count * 0.1)) : 0;
  const music = count < 4 ? 0 : long ? 2 : 1;
  const wake = long ? 2 : 1;
  const measure = measures && count >= 4 ? 1 : 0;
  const places = Math.max(1, count - low - overtones - high - music - wake - measure);
  return {
    blocks: { wake, measure, places, low, overtones, altissimo: high, music },
    lowAmongPlaces: low === 0,
  };
}
