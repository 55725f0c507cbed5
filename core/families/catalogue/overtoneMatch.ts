import { choice, dynamic, note, number, series, tuning, type Tone } from '@inner-hum/core/exercise';
import { partialSemitones, type Dynamic } from '@inner-hum/core/theory';
import { defineFamily } from '../family';

/** What is played of the low note, its overtone and the regular fingering of the same pitch, in order. */
const PATTERNS = {
  regularOvertone: ['regular', 'overtone', 'regular'],
  lowRegular: ['low', 'regular', 'low', 'overtone'],
  lowRegularOvertone: ['low', 'regular', 'overtone', 'regular'],
  regularHumOvertone: ['regular', 'hum', 'overtone'],
  regularOvertoneLow: ['regular', 'overtone', 'low', 'overtone', 'regular'],
} as const;
type Which = (typeof PATTERNS)[keyof typeof PATTERNS][number];

/** Beats to take the horn from the mouth, and to it again. */
const VOICE_BEATS = 2;

/** The same pitch by its regular fingering and as an overtone of a lower one, changed on the count. */
export const overtoneMatch = defineFamily({
  id: 'overtoneMatch',
  stage: 'overtones',
  tempoBpm: 72,
  fields: {
    writtenMidi: note(58),
    partial: number(2, 8, 2),
    pattern: choice(
      [
        'regularOvertone',
        'lowRegular',
        'lowRegularOvertone',
        'regularHumOvertone',
        'regularOvertoneLow',
        'modelsFirst',
        'modelsOverPartials',
      ],
      'regularOvertone',
    ),
    tubes: number(1, 8, 1),
    tubeOrder: choice(['fromLong', 'fromShort'], 'fromLong'),
    accent: choice(['plain', 'accented'], 'plain'),
    beats: number(1, 8, 2),
    repeats: number(1, 6, 3),
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({
    writtenMidi,
    partial,
    pattern,
    tubes,
    tubeOrder,
    accent,
    beats,
    repeats,
    restBeats,
    dynamic: loudness,
  }) => {
    const accented: readonly Dynamic[] = accent === 'accented' ? ['f', loudness] : [loudness];
    const toneOf = (low: number, which: Which, of = partial): Tone => ({
      note: which === 'regular' ? low + partialSemitones(of) : low,
      ...((which === 'overtone' || which === 'hum') && { partial: of }),
      ...(which === 'hum' && { hum: true }),
      beats,
      dynamics: which === 'overtone' ? accented : [loudness],
      attack: 'breath',
    });
    // From one tube to the next it is a semitone.
    const walk = series(tubes, (i) => writtenMidi + (tubeOrder === 'fromLong' ? i : tubes - 1 - i));
    if (pattern === 'modelsOverPartials') {
      // The octave first, then up to the partial that is asked for: all by their regular fingerings, then all from the one tube.
      const partials = series(Math.max(1, partial - 1), (i) => i + 2);
      return series(repeats, () =>
        walk.flatMap((low) => [
          ...partials.map((of) => ({ ...toneOf(low, 'regular', of), rest: restBeats })),
          ...partials.map((of) => ({ ...toneOf(low, 'overtone', of), pair: true, rest: restBeats })),
        ]),
      ).flat();
    }
    if (pattern === 'modelsFirst') {
      const models = walk.map((low) => ({ ...toneOf(low, 'regular'), rest: restBeats }));
      const overtones = walk.map((low) => ({ ...toneOf(low, 'overtone'), pair: true, rest: restBeats }));
      return series(repeats, () => [...models, ...overtones]).flat();
    }
    const row: readonly Which[] = PATTERNS[pattern];
    const rowOn = (low: number) =>
      row.map((which, i): Tone => {
        const before = row[i - 1];
        const tone = toneOf(low, which);
        return {
          ...tone,
          ...(before && which !== 'low' && which !== 'hum' && before !== 'low' && { pair: true }),
          // A voice is set apart by a breath to each side.
          attack: before && before !== 'hum' && which !== 'hum' ? 'slurred' : 'breath',
          rest: i === row.length - 1 ? restBeats : which === 'hum' || row[i + 1] === 'hum' ? VOICE_BEATS : 0,
        };
      });
    return series(repeats, () => walk.flatMap(rowOn)).flat();
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
      leavesCold: true,
      turn: ({ frontier }) => ({
        writtenMidi: frontier.tubeMidi,
        partial: Math.min(4, Math.max(2, frontier.partial - 1)),
      }),
    },
  },
});
