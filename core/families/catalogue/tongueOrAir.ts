import { zoneOf } from '@inner-hum/core/theory';
import { dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** A low note started with the tongue and with air alone by turns: if only the tongued ones fail, it is the tongue. */
export const tongueOrAir = defineFamily({
  id: 'tongueOrAir',
  stage: 'lowRegister',
  tempoBpm: 72,
  fields: {
    writtenMidi: note(58),
    starts: number(2, 8, 4),
    beats: number(1, 8, 2),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mp'),
  },
  tones: ({ writtenMidi, starts, beats, restBeats, dynamic: loudness }) =>
    series(2 * starts, (i) => ({
      note: writtenMidi,
      beats,
      dynamics: [loudness],
      attack: byTurn(['tongue', 'breath'] as const, i),
      rest: restBeats,
    })),
  teaching: {
    mainNote: 'writtenMidi',
    aims: ['ways'],
    amount: 'starts',
    within: { tempoBpm: [50, 92], beats: [1, 4], starts: [3, 6], dynamic: ['pp', 'f'] },
    easier: ['startLouder', 'easierNote'],
    harder: ['softer', 'harderNote'],
    planned: {
      from: 'new',
      meets: ({ midi, reason }) =>
        (reason === 'failing' || reason === 'response') && zoneOf(midi) === 'low' ? { writtenMidi: midi } : undefined,
      turn: ({ turn }) => ({ writtenMidi: byTurn([58, 60, 59, 61], turn) }),
    },
  },
});
