import toneMidi from '@tonejs/midi';
import { isNote, MOST_NOTES, onGrid, type ImportedPart, type ImportedParts, type TimedNote } from './importedPart';

/**
 * Tracks of a Standard MIDI File as single lines in sounding pitch: of notes that begin together the highest, each ended
 * by the next. Refused when the bytes are no such file.
 */
export function readMidi(bytes: Uint8Array): ImportedParts {
  let midi: InstanceType<typeof toneMidi.Midi>;
  try {
    midi = new toneMidi.Midi(bytes);
  } catch (error) {
    return { kind: 'refused', reason: 'notRead', detail: error instanceof Error ? error.message : '' };
  }
  const { ppq } = midi.header;
  // Files timed by film frames, or by nothing, have no beats to lay notes on.
  if (!(ppq > 0 && Number.isFinite(ppq))) return { kind: 'refused', reason: 'damaged', detail: 'beats' };
  if (midi.tracks.some((track) => track.notes.length > MOST_NOTES))
    return { kind: 'refused', reason: 'damaged', detail: `> ${MOST_NOTES}` };
  const parts = midi.tracks.flatMap((track, i): ImportedPart[] => {
    const timed: TimedNote[] = [];
    let at = 0;
    const notes = [...track.notes].sort((a, b) => a.ticks - b.ticks || b.midi - a.midi);
    const line = notes.filter((note, k) => k === 0 || notes[k - 1]!.ticks !== note.ticks);
    line.forEach((note, k) => {
      const end = Math.min(note.ticks + note.durationTicks, line[k + 1]?.ticks ?? Infinity);
      if (note.ticks > at) timed.push({ midi: null, quarters: (note.ticks - at) / ppq });
      if (isNote(note.midi)) timed.push({ midi: note.midi, quarters: (end - note.ticks) / ppq });
      at = end;
    });
    const name = track.name.trim() || `${i + 1}`;
    return timed.length > 0 ? [{ name, notes: onGrid(timed), transposeSemitones: 0 }] : [];
  });
  return parts.length > 0 ? { kind: 'parts', parts } : { kind: 'refused', reason: 'noNotes', detail: '' };
}
