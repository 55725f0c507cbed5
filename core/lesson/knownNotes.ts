import { instrumentById, type Horn, type HornId } from '@inner-hum/core/theory';
import { cellsAfter, type Cell } from '../history/cells';
import type { Digest } from '../history/digest';
import { knownValue } from '../history/estimate';
import { hornMap, ofNote } from '../map/hornMap';
import { offsetOf } from '../map/hornOrReed';
import { bySize, needOf, type Need } from '../map/needs';

/** The notes of a horn as they are known day after day; only those that were played are looked at again. Mutable. */
export class KnownNotes {
  private readonly cells = new Map<number, Map<string, Cell>>();
  private readonly needs = new Map<number, Need>();
  private readonly cents = new Map<number, number>();
  private readonly horn: Horn;

  constructor(instrumentId: HornId) {
    this.horn = instrumentById(instrumentId);
  }

  /** Takes of a day, in their order. */
  heard(takes: readonly Digest[]): void {
    const changed = new Set<number>();
    for (const take of takes) {
      const of = (midi: number) => this.cells.get(midi) ?? new Map<string, Cell>();
      const all = new Map(take.seen.flatMap(({ midi }) => [...of(midi)]));
      for (const cell of cellsAfter(take, (key) => all.get(key))) {
        this.cells.set(cell.midi, of(cell.midi).set(cell.key, cell));
        changed.add(cell.midi);
      }
    }
    const { lowestWrittenMidi, highestKeyedWrittenMidi } = this.horn;
    for (const midi of changed) {
      const [note] = hornMap(this.cells.get(midi)!.values());
      if (!note) continue;
      const need = midi >= lowestWrittenMidi && midi <= highestKeyedWrittenMidi ? needOf(note) : undefined;
      if (need) this.needs.set(midi, need);
      else this.needs.delete(midi);
      const cents = knownValue(ofNote(note, 'pitchCentreCents'));
      if (cents === undefined) this.cents.delete(midi);
      else this.cents.set(midi, cents);
    }
  }

  /** What the keyed notes want, the largest want first, and whether the horn is in tune with itself. */
  asked(): { readonly wanted: readonly Need[]; readonly tuned: boolean } {
    return { wanted: [...this.needs.values()].sort(bySize), tuned: offsetOf([...this.cents.values()]) === undefined };
  }
}
