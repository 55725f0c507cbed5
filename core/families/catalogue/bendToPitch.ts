import { choice, dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** A semitone farther down at each try, on the horn or on its small tube, and back. How far it went is kept, not judged. */
export const bendToPitch = defineFamily({
  id: 'bendToPitch',
  stage: 'altissimo',
  tempoBpm: 60,
  fields: {
    tube: choice(['horn', 'neck', 'mouthpiece'], 'horn'),
    writtenMidi: note(84),
    semitones: number(1, 7, 2),
    beats: number(4, 10, 6),
    restBeats: number(4, 16, 8),
    dynamic: dynamic('mf'),
  },
  tones: ({ tube, writtenMidi, semitones, beats, restBeats, dynamic: loudness }) =>
    series(semitones, (below) => ({
      note: writtenMidi,
      bendCents: 100 * (below + 1),
      beats,
      dynamics: [loudness],
      attack: 'breath',
      rest: restBeats,
      freePitch: tube !== 'horn',
    })),
  teaching: {
    about: ['line'],
    unjudged: ['bendDepth', 'timing', 'response'],
    mainNote: 'writtenMidi',
    amount: 'semitones',
    within: { tempoBpm: [50, 80], semitones: [1, 5], beats: [4, 8], dynamic: ['mp', 'f'] },
    longestBreathS: 8,
    easier: ['fewer', 'shorter'],
    harder: ['more'],
    planned: {
      slot: 'overtones',
      from: 'advanced',
      readiesAltissimo: true,
      turn: ({ turn }) => ({ tube: byTurn(['horn', 'neck', 'mouthpiece'], turn), writtenMidi: byTurn([84, 82], turn) }),
    },
  },
});
