import { choice, dynamic, note, number, series, tuning, type Tone } from '@inner-hum/core/exercise';
import { partialSemitones, type Dynamic } from '@inner-hum/core/theory';
import { defineFamily } from '../family';

/** What is played of the low note, its overtone and the regular fingering of the same pitch, in order. */
const PATTERNS = {
  regularOvertone: ['regular', 'overtone', 'regular'],
  lowRegular: ['low', 'regular', 'low', 'overtone'],
  lowRegularOvertone: ['low', 'regular', 'overtone', 'regular'],
} as const;

/** The same pitch by its regular fingering and as an overtone of a lower one, changed on the count. */
export const overtoneMatch = defineFamily({
  id: 'overtoneMatch',
  stage: 'overtones',
  tempoBpm: 72,
  fields: {
    writtenMidi: note(58),
    partial: number(2, 8, 2),
    pattern: choice(['regularOvertone', 'lowRegular', 'lowRegularOvertone'], 'regularOvertone'),
    accent: choice(['plain', 'accented'], 'plain'),
    beats: number(1, 8, 2),
    repeats: number(1, 6, 3),
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({ writtenMidi, partial, pattern, accent, beats, repeats, restBeats, dynamic: loudness }) => {
    const row = PATTERNS[pattern];
    const accented: readonly Dynamic[] = accent === 'accented' ? ['f', loudness] : [loudness];
    const regular = writtenMidi + partialSemitones(partial);
    return series(repeats, () =>
      row.map((which, i): Tone => {
        const before = row[i - 1];
        return {
          note: which === 'regular' ? regular : writtenMidi,
          ...(which === 'overtone' && { partial }),
          ...(before && which !== 'low' && before !== 'low' && { pair: true }),
          beats,
          dynamics: which === 'overtone' ? accented : [loudness],
          attack: i === 0 ? 'breath' : 'slurred',
          rest: i === row.length - 1 ? restBeats : 0,
        };
      }),
    ).flat();
  },
  teaching: {
    mainNote: 'writtenMidi',
    amount: 'partial',
    within: { tempoBpm: [50, 96], beats: [1, 4], partial: [2, 4], dynamic: ['mp', 'f'] },
    longestBreathS: 8,
    easier: ['fewer', 'startLouder', 'fasterTempo'],
    harder: ['more', 'hideTuner', 'softer'],
    planned: {
      from: 'new',
      turn: ({ frontier }) => ({
        writtenMidi: frontier.tubeMidi,
        partial: Math.min(4, Math.max(2, frontier.partial - 1)),
      }),
    },
  },
});
