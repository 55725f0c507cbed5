import { edgeOf, type Edge } from '@inner-hum/core/map';
import { useMemo } from 'react';
import { mapOf, useCells } from './useCells';

/** An edge that is known well enough to be told. */
type KnownEdge = Extract<Edge, { kind: 'known' }>;
const LEAST_BREAKS = 2;

/** The level at which each note of the present horn usually breaks, by its written MIDI number; of notes that have broken. */
export function useEdges(): ReadonlyMap<number, KnownEdge> {
  const cells = useCells();
  return useMemo(() => {
    const all = (cells ? mapOf(cells) : []).flatMap((note): [number, KnownEdge][] => {
      const edge = edgeOf(note);
      return edge.kind === 'known' && edge.breaks >= LEAST_BREAKS ? [[note.midi, edge]] : [];
    });
    return new Map(all);
  }, [cells]);
}
