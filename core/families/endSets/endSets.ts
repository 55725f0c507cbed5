import { choice, dynamic, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** The few notes at one end of the horn, drilled alone: up and back in a slur. */
export const endSets = defineFamily({
  id: 'endSets',
  stage: 'wholeHorn',
  tempoBpm: 72,
  fields: {
    end: choice(['bottom', 'top'], 'bottom'),
    beats: number(1, 4, 2),
    repeats: number(1, 8, 2),
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ end, beats, repeats, restBeats, dynamic: loudness }, horn) => {
    const from = end === 'bottom' ? horn.lowestWrittenMidi : horn.highestKeyedWrittenMidi - 3;
    const notes = [0, 1, 2, 3, 2, 1, 0].map((one) => from + one);
    return series(repeats, () =>
      notes.map((one, i): Tone => {
        const attack = i === 0 ? 'breath' : 'slurred';
        return { note: one, beats, dynamics: [loudness], attack, rest: i === notes.length - 1 ? restBeats : 0 };
      }),
    ).flat();
  },
});
