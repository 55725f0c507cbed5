import { choice, dynamic, note, number } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** Drop all fingers to the low note: does it speak as itself? */
export const homeCheck = defineFamily({
  id: 'homeCheck',
  stage: 'lowRegister',
  tempoBpm: 80,
  fields: {
    writtenMidi: note(58),
    beats: number(2, 8, 4),
    dynamic: dynamic('mf'),
    attack: choice(['breath', 'tongue'], 'breath'),
  },
  tones: ({ writtenMidi, beats, dynamic: loudness, attack }) => [
    { note: writtenMidi, beats, dynamics: [loudness], attack },
  ],
  teaching: {
    about: ['start', 'break'],
    mainNote: 'writtenMidi',
    within: { dynamic: ['p', 'f'] },
    easier: ['startLouder'],
    harder: ['softer'],
    // Never planned: it is one key press away at any time.
  },
});
