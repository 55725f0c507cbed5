import { choice, dynamic, note, number, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** What is climbed along, semitones above the low note. */
const ALONG = {
  scale: [2, 4, 5, 7, 9, 11, 12, 14, 16, 17, 19, 21],
  arpeggio: [4, 7, 12, 16, 19, 24, 28, 31],
  chromatic: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12],
} as const;

/** From a low note to ever higher ones of a scale or an arpeggio and back, slurred: the low one returns at once as itself. */
export const homeNote = defineFamily({
  id: 'homeNote',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(58),
    along: choice(['scale', 'arpeggio', 'chromatic'], 'scale'),
    climbs: number(1, 12, 5),
    beats: number(1, 8, 2),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, along, climbs, beats, restBeats, dynamic: loudness }) =>
    ALONG[along].slice(0, climbs).flatMap((up): Tone[] => [
      { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath' },
      { note: writtenMidi + up, beats, dynamics: [loudness], attack: 'slurred' },
      { note: writtenMidi, beats, dynamics: [loudness], attack: 'slurred', rest: restBeats },
    ]),
  teaching: {
    mainNote: 'writtenMidi',
    amount: 'climbs',
    within: { tempoBpm: [50, 100], climbs: [1, 8], dynamic: ['p', 'f'] },
    easier: ['fewer', 'startLouder', 'slower'],
    harder: ['more', 'hideTuner', 'softer'],
    planned: { from: 'new', turn: ({ turn }) => ({ along: byTurn(['scale', 'arpeggio'], turn) }) },
  },
});
