import { zoneOf } from '@inner-hum/core/theory';
import { dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** A low note grows out of air that already runs, goes back into it, and a breath is taken. */
export const airIntoTone = defineFamily({
  id: 'airIntoTone',
  stage: 'lowEnd',
  tempoBpm: 72,
  fields: {
    writtenMidi: note(58),
    beats: number(2, 16, 4),
    airBeats: number(1, 8, 2),
    breathBeats: number(1, 8, 2),
    dynamic: dynamic('mp'),
    repeats: number(1, 8, 3),
  },
  tones: ({ writtenMidi, beats, airBeats, breathBeats, dynamic: loudness, repeats }) =>
    series(repeats, () => ({
      note: writtenMidi,
      beats,
      dynamics: [loudness],
      attack: 'breath',
      rest: airBeats + breathBeats + airBeats,
    })),
  teaching: {
    mainNote: 'writtenMidi',
    // Air before the tone is the task: its length says nothing of the note.
    unjudged: ['response', 'air', 'peak', 'timing'],
    within: { tempoBpm: [50, 90], dynamic: ['p', 'mf'], beats: [2, 8] },
    easier: ['easierNote', 'startLouder', 'shorter'],
    harder: ['softer', 'harderNote', 'longer'],
    planned: {
      from: 'new',
      meets: ({ midi, reason, band }) =>
        (reason === 'response' || reason === 'failing') && zoneOf(midi) === 'low'
          ? { writtenMidi: midi, dynamic: band === 'soft' ? 'p' : 'mp' }
          : undefined,
      goals: { softLowEntry: (writtenMidi) => ({ writtenMidi, dynamic: 'p' }) },
      turn: ({ horn, level, turn }) => ({
        writtenMidi: byTurn([60, 59, 58, 62], turn),
        // New to it one begins where it is easy.
        ...(level === 'new' && turn < 8
          ? { writtenMidi: 62 }
          : turn % 4 === 2 && { writtenMidi: horn.lowestWrittenMidi }),
      }),
    },
  },
});
