import { choice, dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** Hold a note, hear the next interval inwardly while it rests, play it; ever wider. */
export const heardInterval = defineFamily({
  id: 'heardInterval',
  stage: 'wholeHorn',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(67),
    direction: choice(['up', 'down'], 'up'),
    intervals: number(1, 16, 5),
    beats: number(2, 8, 4),
    hearBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, direction, intervals, beats, hearBeats, dynamic: loudness }) => {
    const sign = direction === 'up' ? 1 : -1;
    const tone = (value: number, rest: NonNullable<Tone['rest']>): Tone => ({
      note: value,
      beats,
      dynamics: [loudness],
      attack: 'breath',
      rest,
    });
    return series(intervals, (i) => [
      tone(writtenMidi, [{ kind: 'hear', beats: hearBeats }]),
      tone(writtenMidi + sign * (i + 1), hearBeats),
    ]).flat();
  },
  teaching: {
    about: ['pitch', 'start'],
    mainNote: 'writtenMidi',
    amount: 'intervals',
    within: { tempoBpm: [50, 90], beats: [2, 6], intervals: [1, 13], dynamic: ['p', 'f'] },
    easier: ['fewer', 'startLouder'],
    harder: ['more', 'hideTuner'],
    planned: {
      from: 'new',
      // Another start note each day.
      turn: ({ turn }) => ({ writtenMidi: byTurn([67, 69, 65, 72, 70], turn) }),
    },
  },
});
