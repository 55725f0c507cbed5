import { DYNAMICS, dynamicPosition, overtoneOf, type Dynamic } from '@inner-hum/core/theory';
import { parsePhrase, type PhraseNote } from './phrase';
import { beatsOf, type GapPart, type Tone } from './tone';

/**
 * Tones of a passage as it is written: tongued where nothing else stands, with its slurs, its dynamics and its hairpins, a
 * breath in each rest where nothing else is asked of it, and `restBeats` after the last tone.
 * @param first the dynamic where none is written yet
 */
export function passageTones(text: string, restBeats: number, first: Dynamic): Tone[] {
  const notes = parsePhrase(text);
  const levels = levelsOf(notes, first);
  const tones: Tone[] = [];
  notes.forEach((note, i) => {
    const { midi, beats, slurred, air, gap = 'breath' } = note;
    const before = tones.at(-1);
    if (midi === null) {
      if (before) tones[tones.length - 1] = { ...before, rest: restOf([...partsOf(before), { kind: gap, beats }]) };
      return;
    }
    const joined = slurred && before && !before.rest;
    const attack = joined ? 'slurred' : air || note.hum ? 'breath' : 'tongue';
    tones.push({ ...sourceOf(note, midi), ...asked(note), beats, dynamics: levels[i]!, attack });
  });
  const last = tones.at(-1)!;
  const missing = restBeats - beatsOf(last.rest);
  const parts: readonly GapPart[] = missing > 0 ? [{ kind: 'breath', beats: missing }] : [];
  return [...tones.slice(0, -1), { ...last, rest: restOf([...partsOf(last), ...parts]) }];
}

function partsOf({ rest = [] }: Tone): readonly GapPart[] {
  return typeof rest === 'number' ? [{ kind: 'breath', beats: rest }] : rest;
}

/** Nothing but a breath is only its length. */
function restOf(parts: readonly GapPart[]): NonNullable<Tone['rest']> {
  return parts.every(({ kind }) => kind === 'breath') ? beatsOf(parts) : parts;
}

/** What is fingered, and what of it sounds. */
function sourceOf({ fingeredMidi }: PhraseNote, midi: number): Pick<Tone, 'note' | 'partial' | 'octaveKey'> {
  const source = fingeredMidi === undefined ? undefined : overtoneOf(fingeredMidi, midi);
  if (!source) return { note: midi };
  const { tubeMidi, partialNumber, octaveKey } = source;
  return { note: tubeMidi, partial: partialNumber, ...(octaveKey && { octaveKey }) };
}

function asked({ bendCents, hum, subtone, vowels }: PhraseNote): Partial<Tone> {
  return {
    ...(bendCents && { bendCents }),
    ...(hum && { hum }),
    ...(subtone && { subtone }),
    ...(vowels && { vowels }),
  };
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
    // It is there at the end of the last tone: a rest before the next dynamic is no part of it.
    const sounding = row.slice(0, row.findLastIndex(({ midi }) => midi !== null) + 1);
    const beats = sounding.reduce((sum, note) => sum + note.beats, 0);
    const target = notes[to]?.dynamic ?? onwards(standing, hairpin);
    const [from, end] = [dynamicPosition(standing), dynamicPosition(target)];
    let at = 0;
    for (const note of row) {
      const place = (beat: number) => from + ((end - from) * Math.min(beat, beats)) / beats;
      levels.push([place(at), place(at + note.beats)]);
      at += note.beats;
    }
    i = to;
  }
  return levels;
}
