import { zoneOf } from '@inner-hum/core/theory';
import { dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** A low note grows out of air that already runs, fades back into it, and a breath is taken. */
export const airIntoTone = defineFamily({
  id: 'airIntoTone',
  stage: 'lowEnd',
  tempoBpm: 72,
  fields: {
    writtenMidi: note(62),
    beats: number(2, 16, 4),
    airBeats: number(1, 8, 2),
    breathBeats: number(1, 8, 2),
    dynamic: dynamic('mp'),
    repeats: number(1, 8, 3),
  },
  tones: ({ writtenMidi, beats, airBeats, breathBeats, dynamic: loudness, repeats }) =>
    series(repeats, (i): Tone => {
      const air = { kind: 'air', beats: airBeats } as const;
      return {
        note: writtenMidi,
        beats,
        // Out of the softest that the ruler knows, and back into it.
        dynamics: [0, loudness, 0],
        attack: 'breath',
        ...(i === 0 && { lead: [air] }),
        rest: [air, { kind: 'breath', beats: breathBeats }, air],
      };
    }),
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
