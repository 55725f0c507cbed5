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
