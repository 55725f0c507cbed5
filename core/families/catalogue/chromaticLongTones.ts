import { choice, dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { keptPlace } from '../teaching';

/** Where a player who is new to it goes through the horn, written D4 to C6. */
const EASY = { from: 62, to: 84 } as const;
const NOTES = 5;

/** Note by note through the whole horn, a breath each, over as many days as it takes. */
export const chromaticLongTones = defineFamily({
  id: 'chromaticLongTones',
  stage: 'longTones',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    notes: number(1, 12, NOTES),
    direction: choice(['up', 'down'], 'up'),
    beats: number(2, 16, 6),
    restBeats: number(2, 12, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, notes, direction, beats, restBeats, dynamic: loudness }, horn) =>
    series(notes, (i) => writtenMidi + (direction === 'up' ? i : -i))
      .filter((midi) => midi >= horn.lowestWrittenMidi && midi <= Math.max(writtenMidi, horn.highestKeyedWrittenMidi))
      .map((midi) => ({ note: midi, beats, dynamics: [loudness], attack: 'breath', rest: restBeats })),
  teaching: {
    about: ['line', 'pitch'],
    mainNote: 'writtenMidi',
    amount: 'notes',
    within: { tempoBpm: [50, 80], notes: [1, 8], beats: [4, 12], dynamic: ['p', 'f'] },
    easier: ['fewer', 'shorter', 'startLouder'],
    harder: ['longer', 'softer', 'hideTuner'],
    planned: {
      from: 'new',
      // The place is kept: each time it goes on where it stopped, and from the top begins anew.
      turn: ({ horn, level, turn }) => {
        const from = level === 'new' ? EASY.from : horn.lowestWrittenMidi;
        const count = (level === 'new' ? EASY.to : horn.highestKeyedWrittenMidi) - from + 1;
        return { writtenMidi: from + keptPlace(turn, NOTES, count) };
      },
    },
  },
});
