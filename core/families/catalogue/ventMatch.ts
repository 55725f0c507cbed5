import { choice, dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** A middle note with a high key (`vent`) opened as a bright model, then with it closed, keeping the sound. */
export const ventMatch = defineFamily({
  id: 'ventMatch',
  stage: 'lowRegister',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    vent: choice(['palmD', 'palmEFlat', 'sideC', 'sideBFlat'], 'palmD'),
    beats: number(2, 8, 4),
    pairs: number(1, 6, 3),
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, beats, pairs, restBeats, dynamic: loudness }) =>
    series(pairs, (): Tone[] => [
      { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath', rest: 1 },
      { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath', rest: restBeats, pair: true },
    ]).flat(),
  teaching: {
    about: ['colour', 'line'],
    mainNote: 'writtenMidi',
    aims: ['colourMatch'],
    amount: 'pairs',
    within: { tempoBpm: [50, 90], beats: [2, 6], pairs: [2, 5], dynamic: ['p', 'f'] },
    easier: ['fewer', 'startLouder'],
    harder: ['more', 'softer'],
    planned: { from: 'home', turn: ({ turn }) => ({ writtenMidi: byTurn([67, 69, 71, 65], turn) }) },
  },
});
