import type { Level } from '@inner-hum/core/families';
import type { HornId } from '@inner-hum/core/theory';
import type { Digest } from '../history/digest';
import type { Elsewhere } from './elsewhere';
import type { NoteOnMap } from '../map/hornMap';
import type { OwnCell } from '../map/ownSources';
import type { Practice } from './practices';
import type { Schools } from './schools';
import type { Goal } from './aims';

/** What a session is planned from. */
export interface PlanFor {
  /** the horn as it is built; what was played on its size is known of it */
  readonly instrumentId: HornId;
  readonly minutes: number;
  readonly level: Level;
  /** sweep: many things; dwell: fewer things for longer */
  readonly style: 'sweep' | 'dwell';
  readonly notes: readonly NoteOnMap[];
  readonly sources: ReadonlyMap<string, OwnCell>;
  /** takes of the last twelve weeks on this size of horn */
  readonly recent: readonly Digest[];
  /** families that were ever played, on any horn */
  readonly everPlayed?: ReadonlySet<string>;
  /** what is part of the player's own practice already */
  readonly practices?: readonly Practice[];
  /** how the player does what players do differently */
  readonly schools?: Schools;
  readonly goals: readonly Goal[];
  /** what belongs to the player and was shown on other horns */
  readonly elsewhere?: Elsewhere;
  /** families that the player does not want now */
  readonly without?: ReadonlySet<string>;
  /** no loud bell notes now */
  readonly quiet: boolean;
  readonly nowMs: number;
  /** the player's own day, yyyy-mm-dd */
  readonly day: string;
  /** the day of the first take ever, on any horn; undefined before it */
  readonly firstDay?: string;
}
