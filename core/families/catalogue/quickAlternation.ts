import { dynamic, note, number, series, tuning, type Tone } from '@inner-hum/core/exercise';
import { partialSemitones } from '@inner-hum/core/theory';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** Regular fingering and overtone of one pitch by turns in eighths, then held. */
export const quickAlternation = defineFamily({
  id: 'quickAlternation',
  stage: 'overtones',
  tempoBpm: 72,
  fields: {
    writtenMidi: note(58),
    partial: number(2, 6, 2),
    changes: number(4, 32, 8),
    repeats: number(1, 4, 2),
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({ writtenMidi, partial, changes, repeats, restBeats, dynamic: loudness }) => {
    const regular = writtenMidi + partialSemitones(partial);
    const count = changes % 2 === 0 ? changes : changes + 1;
    return series(repeats, () => [
      ...series(count, (i): Tone => ({
        ...(i % 2 === 0 ? { note: regular } : { note: writtenMidi, partial }),
        ...(i > 0 && { pair: true }),
        beats: 0.5,
        dynamics: [loudness],
        attack: i === 0 ? 'breath' : 'slurred',
      })),
      { note: regular, pair: true, beats: 2, dynamics: [loudness], attack: 'slurred', rest: restBeats } as const,
    ]).flat();
  },
  teaching: {
    about: ['time', 'pitch'],
    mainNote: 'writtenMidi',
    // In eighths nothing settles: what counts is the time and the sameness of the pitch.
    unjudged: ['response', 'line', 'slurLevel', 'changeTime'],
    aims: ['changeTimes'],
    amount: 'changes',
    within: { tempoBpm: [50, 108], changes: [4, 16], dynamic: ['mp', 'f'] },
    easier: ['slower', 'fewer'],
    harder: ['quicker', 'more'],
    planned: {
      from: 'home',
      turn: ({ frontier, turn }) =>
        frontier.partial > 2 ? { writtenMidi: byTurn([58, 59, 60], turn), partial: 2 } : undefined,
    },
  },
});
