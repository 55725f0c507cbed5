import { choice, dynamic, highestNote, note, number, series, softerThan, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { keptPlace } from '../teaching';

const LEAPS = 4;
/** Written F6, from which everything lies below. */
const TOP_MIDI = 89;

/** Grow on an anchor, slur at the peak to a note ever farther away, fade there. */
export const anchorSwell = defineFamily({
  id: 'anchorSwell',
  stage: 'swells',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(86),
    direction: choice(['down', 'up'], 'down'),
    firstLeap: number(1, 31, 1),
    leaps: number(1, 31, LEAPS),
    beats: number(2, 16, 4),
    restBeats: number(1, 16, 4),
    softest: dynamic('mp'),
    loudest: dynamic('f'),
  },
  tones: ({ writtenMidi, direction, firstLeap, leaps, beats, restBeats, softest, loudest }, horn) => {
    softerThan(softest, loudest);
    const sign = direction === 'down' ? -1 : 1;
    // Over the whole horn it ends with the horn.
    const room = direction === 'down' ? writtenMidi - horn.lowestWrittenMidi : highestNote(horn) - writtenMidi;
    const from = Math.min(firstLeap, Math.max(1, room));
    return series(Math.max(1, Math.min(leaps, room - from + 1)), (i): Tone[] => [
      { note: writtenMidi, beats, dynamics: [softest, loudest], attack: 'breath' },
      {
        note: writtenMidi + sign * (from + i),
        beats,
        dynamics: [loudest, softest],
        attack: 'slurred',
        rest: restBeats,
      },
    ]).flat();
  },
  teaching: {
    mainNote: 'writtenMidi',
    amount: 'leaps',
    within: { tempoBpm: [50, 100], beats: [2, 8], leaps: [1, 8], softest: ['p', 'mf'], loudest: ['mf', 'ff'] },
    easier: ['fewer', 'startLouder', 'fasterTempo'],
    harder: ['more', 'hideTuner', 'softer'],
    planned: {
      from: 'home',
      goals: { highNote: (writtenMidi) => ({ writtenMidi, direction: 'down' }) },
      // By turns down from the top and up from the bottom; the place of each is kept.
      turn: ({ horn, turn }) => {
        const span = TOP_MIDI - horn.lowestWrittenMidi;
        const firstLeap = 1 + keptPlace(Math.floor(turn / 2), LEAPS, span);
        return turn % 2
          ? { writtenMidi: horn.lowestWrittenMidi, direction: 'up', firstLeap }
          : { writtenMidi: TOP_MIDI, direction: 'down', firstLeap };
      },
    },
  },
});
