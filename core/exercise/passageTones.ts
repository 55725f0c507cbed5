import { DYNAMICS, dynamicPosition, type Dynamic } from '@inner-hum/core/theory';
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

/** Where a hairpin without a dynamic after it leads by the end of the passage: two dynamics on. Our choice. */
function onwards(from: Dynamic, hairpin: '<' | '>'): Dynamic {
  const place = DYNAMICS.indexOf(from) + (hairpin === '<' ? 2 : -2);
  return DYNAMICS[Math.min(DYNAMICS.length - 1, Math.max(0, place))]!;
}

/** The level of each note: a letter where it stays, two places on the ruler where a hairpin leads through it. */
function levelsOf(notes: readonly PhraseNote[], first: Dynamic): readonly (readonly (Dynamic | number)[])[] {
  const levels: (readonly (Dynamic | number)[])[] = [];
  let standing = first;
  let i = 0;
  while (i < notes.length) {
    standing = notes[i]!.dynamic ?? standing;
    const { hairpin } = notes[i]!;
    if (!hairpin) {
      levels.push([standing]);
      i++;
      continue;
    }
    const next = notes.findIndex((note, k) => k > i && note.dynamic);
    const to = next < 0 ? notes.length : next;
    const row = notes.slice(i, to);
    const beats = row.reduce((sum, note) => sum + note.beats, 0);
    const target = notes[to]?.dynamic ?? onwards(standing, hairpin);
    const [from, end] = [dynamicPosition(standing), dynamicPosition(target)];
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
