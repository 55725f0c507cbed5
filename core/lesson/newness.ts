import { FAMILIES, familyById, type Family } from '@inner-hum/core/families';
import { hasSettled } from '../history/progress';
import type { Load } from './load';
import type { PlanFor } from './planFor';
import { slotOf } from './slots';
import type { Standing } from './standing';

const isCheck = (family: Family) => ['tune', 'measure'].includes(slotOf(family));
/** Who knows fewer families than this stays with them more. */
const FEW_FAMILIES = 6;

/** Families new to the player in a first session, in one under half an hour, in a longer one. */
const NEW = { first: 2, short: 1, long: 2, longFromMin: 30 } as const;

/** Whether a player knows few families yet. */
export const isStarting = ({ progress, knows }: Standing) =>
  FAMILIES.filter((family) => family.teaching.planned && (knows(family) || progress.has(family.id))).length <
  FEW_FAMILIES;

/** Whether a family is new to the player. */
export function isNew(family: Family, { progress, knows }: Standing): boolean {
  const slot = slotOf(family);
  return slot !== 'tune' && slot !== 'measure' && !progress.has(family.id) && !knows(family);
}

/** How many families that are new to the player a lesson may have. */
export function newAtMost(plan: PlanFor, { days, progress }: Standing, load: Load): number {
  if (load.nothingNew) return 0;
  const last = days.at(-1)?.day;
  if (last === undefined) return NEW.first;
  const failed = [...progress].some(
    ([id, { firstDay, failedFirst }]) => firstDay === last && failedFirst && !isCheck(familyById(id)),
  );
  return failed ? 0 : plan.minutes < NEW.longFromMin ? NEW.short : NEW.long;
}

/** Whether a family of the same stage is new and has not come back often enough. */
export function isSettling({ stage }: Family, { progress, knows }: Standing): boolean {
  return [...progress].some(([id, own]) => {
    const family = familyById(id);
    return (
      family.stage === stage && !!family.teaching.planned && !knows(family) && !isCheck(family) && !hasSettled(own)
    );
  });
}
