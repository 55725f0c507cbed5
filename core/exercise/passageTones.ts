import { dynamicPosition, type Dynamic } from '@inner-hum/core/theory';
import { parsePhrase, type PhraseNote } from './phrase';
import type { Tone } from './tone';

/**
 * Tones of a passage as it is written: tongued where nothing else stands, with its slurs, its dynamics and its hairpins, a
 * breath in each rest and `restBeats` after the last tone.
 * @param first the dynamic where none is written yet
 */
export function passageTones(text: string, restBeats: number, first: Dynamic): Tone[] {
  const notes = parsePhrase(text);
  const levels = levelsOf(notes, first);
  const tones: Tone[] = [];
  notes.forEach(({ midi, beats, slurred, air }, i) => {
    const before = tones.at(-1);
    if (midi === null) {
      if (before) tones[tones.length - 1] = { ...before, rest: Number(before.rest ?? 0) + beats };
      return;
    }
    const joined = slurred && before && !before.rest;
    tones.push({ note: midi, beats, dynamics: levels[i]!, attack: joined ? 'slurred' : air ? 'breath' : 'tongue' });
  });
  const last = tones.at(-1)!;
  return [...tones.slice(0, -1), { ...last, rest: Math.max(restBeats, Number(last.rest ?? 0)) }];
}

/** The level of each note: a letter where it stays, two places on the ruler where a hairpin leads through it. */
function levelsOf(notes: readonly PhraseNote[], first: Dynamic): readonly (readonly (Dynamic | number)[])[] {
  const levels: (readonly (Dynamic | number)[])[] = [];
  let standing = first;
  let i = 0;
  while (i < notes.length) {
    standing = notes[i]!.dynamic ?? standing;
    const to = notes[i]!.hairpin ? notes.findIndex((note, k) => k > i && note.dynamic) : -1;
    if (to < 0) {
      levels.push([standing]);
      i++;
      continue;
    }
    const row = notes.slice(i, to);
    const beats = row.reduce((sum, note) => sum + note.beats, 0);
    const [from, end] = [dynamicPosition(standing), dynamicPosition(notes[to]!.dynamic!)];
    let at = 0;
    for (const note of row) {
      const place = (beat: number) => from + ((end - from) * beat) / beats;
      levels.push([place(at), place(at + note.beats)]);
      at += note.beats;
    }
    i = to;
  }
  return levels;
}
