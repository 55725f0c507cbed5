import { choice, dynamic, highestNote, note, number, series, softerThan } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

const MAJOR = [0, 2, 4, 5, 7, 9, 11];

/** A major scale, each note a breath of its own, soft and loud by turns: the same pitch at both. */
export const longToneScale = defineFamily({
  id: 'longToneScale',
  stage: 'longTones',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    notes: number(2, 15, 5),
    direction: choice(['up', 'down'], 'up'),
    softest: dynamic('p'),
    loudest: dynamic('f'),
    beats: number(2, 16, 6),
    restBeats: number(2, 12, 4),
  },
  tones: ({ writtenMidi, notes, direction, softest, loudest, beats, restBeats }, horn) => {
    softerThan(softest, loudest);
    const up = (i: number) => 12 * Math.floor(i / MAJOR.length) + MAJOR[i % MAJOR.length]!;
    // Downwards the note is the tonic too: the leading note is a semitone under it.
    const down = (i: number) => (i === 0 ? 0 : up(7 * Math.ceil(i / 7) - i) - 12 * Math.ceil(i / 7));
    const scale = series(notes, (i) => writtenMidi + (direction === 'up' ? up(i) : down(i)));
    const onHorn = scale.filter((value) => value >= horn.lowestWrittenMidi && value <= highestNote(horn));
    return onHorn.map((value, i) => ({
      note: value,
      beats,
      dynamics: [i % 2 === 0 ? softest : loudest],
      attack: 'breath',
      rest: restBeats,
    }));
  },
  teaching: {
    about: ['pitch', 'line'],
    mainNote: 'writtenMidi',
    aims: ['softAgainstLoud'],
    amount: 'notes',
    within: { tempoBpm: [50, 80], notes: [3, 8], beats: [4, 12], softest: ['pp', 'mp'], loudest: ['mf', 'f'] },
    easier: ['fewer', 'startLouder', 'shorter'],
    harder: ['more', 'softer', 'hideTuner', 'longer'],
    planned: {
      from: 'new',
      goals: { evenZone: (writtenMidi) => ({ writtenMidi }) },
      turn: ({ turn }) => ({
        writtenMidi: byTurn([67, 72, 65, 69, 62], turn),
        direction: byTurn(['up', 'down'], turn),
      }),
    },
  },
});
