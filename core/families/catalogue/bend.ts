import { choice, dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** From a held note down, or up, and back by voicing alone: held for a quarter, away to the middle, back, held for a quarter. */
export const bend = defineFamily({
  id: 'bend',
  stage: 'altissimo',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(84),
    direction: choice(['down', 'up'], 'down'),
    bendCents: number(30, 300, 100),
    beats: number(4, 16, 8),
    repeats: number(1, 6, 3),
    restBeats: number(2, 12, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, direction, bendCents, beats, repeats, restBeats, dynamic: loudness }) =>
    series(repeats, () => ({
      note: writtenMidi,
      bendCents: direction === 'up' ? -bendCents : bendCents,
      beats,
      dynamics: [loudness],
      attack: 'breath',
      rest: restBeats,
    })),
  teaching: {
    about: ['change', 'line', 'pitch'],
    mainNote: 'writtenMidi',
    amount: 'bendCents',
    amountStep: 20,
    within: { tempoBpm: [50, 92], beats: [4, 10], bendCents: [40, 250], dynamic: ['mp', 'f'] },
    longestBreathS: 8,
    easier: ['fewer', 'shorter'],
    harder: ['more', 'hideTuner'],
    planned: {
      slot: 'overtones',
      from: 'home',
      readiesAltissimo: true,
      turn: ({ turn }) => ({ writtenMidi: byTurn([84, 82, 86, 81], turn) }),
    },
  },
});
