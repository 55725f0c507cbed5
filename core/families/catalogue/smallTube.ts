import { choice, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** Where the pitch may lie does not matter: any keyed note stands for it. */
const ANY_NOTE_MIDI = 81;

/** Mouthpiece alone, or with the neck: its pitch held steady, wherever it rests. */
export const smallTube = defineFamily({
  id: 'smallTube',
  stage: 'altissimo',
  tempoBpm: 60,
  fields: {
    tube: choice(['mouthpiece', 'neck'], 'neck'),
    beats: number(4, 24, 6),
    repeats: number(1, 6, 3),
    restBeats: number(2, 12, 4),
  },
  tones: ({ beats, repeats, restBeats }) =>
    series(repeats, () => ({
      note: ANY_NOTE_MIDI,
      beats,
      dynamics: ['mf'],
      attack: 'breath',
      rest: restBeats,
      freePitch: true,
    })),
  teaching: {
    about: ['line'],
    unjudged: ['response', 'timing'],
    within: { beats: [4, 12] },
    firstBreathS: 8,
    longestBreathS: 10,
    easier: ['shorter'],
    harder: ['longer'],
    planned: {
      slot: 'overtones',
      from: 'home',
      warmsUp: { tube: 'mouthpiece' },
      turn: ({ turn }) => ({ tube: byTurn(['neck', 'mouthpiece'], turn) }),
    },
  },
});
