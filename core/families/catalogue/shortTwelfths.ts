import {
  NotPlayable,
  choice,
  dynamic,
  note,
  number,
  phrase,
  phraseTones,
  series,
  tuning,
  type Tone,
} from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

const FIRST_OCTAVE_KEY_MIDI = 74;
const LAST_OCTAVE_KEY_MIDI = 85;
const TWELFTH = 3;
const FIFTH = 7;
const NOTES = 5;

/**
 * Octave-key fingerings overblown to the fifth above them: chromatically, by whole tones, against the regular note, or a phrase
 * a fifth up.
 */
export const shortTwelfths = defineFamily({
  id: 'shortTwelfths',
  stage: 'overtones',
  tempoBpm: 72,
  fields: {
    pattern: choice(['chromatic', 'byTones', 'againstRegular', 'phraseFifthUp'], 'chromatic'),
    writtenMidi: note(FIRST_OCTAVE_KEY_MIDI),
    notes: number(1, 12, NOTES),
    phrase: phrase('D5 E5 F♯5 E5 D5:2'),
    beats: number(1, 8, 2),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({ pattern, writtenMidi, notes, phrase: text, beats, restBeats, dynamic: loudness }) => {
    if (pattern === 'phraseFifthUp')
      return phraseTones(text, restBeats, (midi) => ({ ...overblown(midi), dynamics: [loudness] }));
    const step = pattern === 'byTones' ? 2 : 1;
    return series(notes, (i): Tone[] => {
      const fingered = writtenMidi + i * step;
      const common = { beats, dynamics: [loudness] };
      const upper: Tone = { ...overblown(fingered), ...common, attack: 'slurred', rest: restBeats };
      if (pattern === 'againstRegular')
        return [
          { note: fingered + FIFTH, ...common, attack: 'breath' },
          { ...upper, pair: true },
        ];
      return [{ note: fingered, ...common, attack: 'breath' }, upper];
    }).flat();
  },
  teaching: {
    mainNote: 'writtenMidi',
    amount: 'notes',
    within: { tempoBpm: [56, 112], beats: [1, 4], notes: [1, 10], dynamic: ['mp', 'f'] },
    easier: ['fewer', 'slower', 'startLouder'],
    harder: ['more', 'quicker', 'softer'],
    planned: {
      from: 'home',
      // The twelfth that speaks least has more turns: by turns the run begins just under it.
      turn: ({ frontier, stubbornTwelfth, turn }) => {
        if (frontier.partial <= 2) return undefined;
        const from = turn % 2 && stubbornTwelfth ? stubbornTwelfth - 2 : FIRST_OCTAVE_KEY_MIDI;
        return { writtenMidi: Math.min(Math.max(from, FIRST_OCTAVE_KEY_MIDI), LAST_OCTAVE_KEY_MIDI - NOTES + 1) };
      },
    },
  },
});

function overblown(fingered: number): Pick<Tone, 'note' | 'partial' | 'octaveKey'> {
  if (fingered < FIRST_OCTAVE_KEY_MIDI || fingered > LAST_OCTAVE_KEY_MIDI)
    throw new NotPlayable(
      { reason: 'fingered', path: 'writtenMidi', min: FIRST_OCTAVE_KEY_MIDI, max: LAST_OCTAVE_KEY_MIDI },
      `short twelfths are fingered from ${FIRST_OCTAVE_KEY_MIDI} to ${LAST_OCTAVE_KEY_MIDI}`,
    );
  return { note: fingered - 12, partial: TWELFTH, octaveKey: true };
}
