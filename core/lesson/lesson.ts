import type { Family, Stage } from '@inner-hum/core/families';

/** What stands in a session, in the order of a practice. */
export const SLOTS = ['tune', 'wake', 'measure', 'places', 'low', 'overtones', 'altissimo', 'music'] as const;
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

/** What a block of a lesson is for. */
const PARTS = ['warmUp', 'theme', 'keep', 'music'] as const;
export type Part = (typeof PARTS)[number];

/** So many blocks a lesson has, its warm-up apart, by its minutes: few things, each long enough to settle into. */
const BLOCKS: readonly (readonly [number, number])[] = [
  [5, 2],
  [10, 3],
  [15, 4],
  [20, 5],
  [30, 6],
  [45, 8],
  [60, 10],
  [90, 13],
];
/** Who dwells stays on fewer. */
const DWELL_SHARE = 0.7;
const LEAST_BLOCKS = 2;

/** How the minutes of a week are shared out. */
const SHARE: Readonly<Record<Part, number>> = { warmUp: 0.13, theme: 0.46, keep: 0.23, music: 0.18 };
/** Blocks of warm-up beside the tuner. */
const WARM_UP_FROM_MIN = 10;
const TWO_WARM_UPS_FROM_MIN = 45;

/** What a lesson is made of: how many blocks of each part, and how much of the time each part has. */
export interface Lesson {
  readonly blocks: Readonly<Record<Part, number>>;
  readonly seconds: Readonly<Record<Part, number>>;
}

/** The lesson of so many minutes. Our choice: what a teacher does with the same time. */
export function lessonOf(minutes: number, style: 'sweep' | 'dwell'): Lesson {
  const usual = blocksOf(minutes);
  const count = Math.max(LEAST_BLOCKS, style === 'dwell' ? Math.round(DWELL_SHARE * usual) : usual);
  const music = count < 3 ? 0 : Math.max(1, Math.round(0.18 * count));
  const keep = count < 2 ? 0 : Math.max(1, Math.round(0.27 * count));
  const blocks = {
    warmUp: minutes < WARM_UP_FROM_MIN ? 0 : minutes < TWO_WARM_UPS_FROM_MIN ? 1 : 2,
    theme: count - music - keep,
    keep,
    music,
  };
  const seconds = Object.fromEntries(PARTS.map((part) => [part, 60 * minutes * SHARE[part]])) as Lesson['seconds'];
  return { blocks, seconds };
}

/** Between the minutes of the table the next smaller count. */
function blocksOf(minutes: number): number {
  return BLOCKS.findLast(([from]) => minutes >= from)?.[1] ?? LEAST_BLOCKS;
}
