import type { SetupNames, SetupPart } from '@inner-hum/core/history';
import type { InstrumentId } from '@inner-hum/core/theory';

/** A thing that is played on, or a room, under the player's own name. */
export interface GearItem {
  readonly part: SetupPart;
  readonly name: string;
  /** the size it belongs to; rooms belong to all */
  readonly instrumentId?: InstrumentId | undefined;
  /** of reeds, as the player calls it */
  readonly cut?: string | undefined;
  readonly strength?: string | undefined;
  /** days, yyyy-mm-dd */
  readonly openedOn?: string | undefined;
  readonly retiredOn?: string | undefined;
}

/** What is on each size of horn now; the room is the same for all. */
export type Fitted = Readonly<Record<string, Partial<Readonly<Record<SetupPart, string>>>>>;

interface HasGear {
  readonly instrumentId: InstrumentId;
  readonly fitted: Fitted;
  readonly room: string;
}

/** The set-up that is played on now, without what the player does not say. */
export function setupNow({ instrumentId, fitted, room }: HasGear): SetupNames {
  const parts = Object.entries({ ...fitted[instrumentId], room }).filter(([, name]) => name);
  return { instrumentId, ...Object.fromEntries(parts) };
}

/** Things of one kind that can be played on this size today. */
export function gearFor(gear: readonly GearItem[], part: SetupPart, instrumentId: InstrumentId): GearItem[] {
  return gear.filter(
    (item) => item.part === part && (part === 'room' || item.instrumentId === instrumentId) && !item.retiredOn,
  );
}
