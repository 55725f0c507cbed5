import { choice, dynamic, highestNote, note, number, series, softerThan, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** Grow on an anchor, slur at the peak to a note ever farther away, fade there. */
export const anchorSwell = defineFamily({
  id: 'anchorSwell',
  stage: 'swells',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(86),
    direction: choice(['down', 'up'], 'down'),
    leaps: number(1, 31, 4),
    beats: number(2, 16, 4),
    restBeats: number(1, 16, 4),
    softest: dynamic('mp'),
    loudest: dynamic('f'),
  },
  tones: ({ writtenMidi, direction, leaps, beats, restBeats, softest, loudest }, horn) => {
    softerThan(softest, loudest);
    const sign = direction === 'down' ? -1 : 1;
    // Over the whole horn it ends with the horn.
    const room = direction === 'down' ? writtenMidi - horn.lowestWrittenMidi : highestNote(horn) - writtenMidi;
    return series(Math.max(1, Math.min(leaps, room)), (i): Tone[] => [
      { note: writtenMidi, beats, dynamics: [softest, loudest], attack: 'breath' },
      { note: writtenMidi + sign * (i + 1), beats, dynamics: [loudest, softest], attack: 'slurred', rest: restBeats },
    ]).flat();
  },
  teaching: {
    mainNote: 'writtenMidi',
    amount: 'leaps',
    within: { tempoBpm: [50, 100], beats: [2, 8], leaps: [1, 8], softest: ['p', 'mf'], loudest: ['mf', 'ff'] },
    easier: ['fewer', 'startLouder', 'fasterTempo'],
    harder: ['more', 'hideTuner', 'softer'],
    planned: {
      from: 'home',
      goals: { highNote: (writtenMidi) => ({ writtenMidi, direction: 'down' }) },
      turn: ({ horn, turn }) =>
        turn % 2 ? { writtenMidi: horn.lowestWrittenMidi, direction: 'up' } : { writtenMidi: 86, direction: 'down' },
    },
  },
});
