import { choice, dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** Intervals over the drone from the easiest to hear: semitones, and how far the pure one lies from the tempered, cents. */
const INTERVALS = [
  { semitones: 12, pureCents: 0 },
  { semitones: 7, pureCents: 2 },
  { semitones: 5, pureCents: -2 },
  { semitones: 4, pureCents: -14 },
] as const;

/** Octave, fifth, fourth and major third over a drone in the headphones, tuned pure or tempered. */
export const droneIntervals = defineFamily({
  id: 'droneIntervals',
  stage: 'wholeHorn',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    intervals: number(1, INTERVALS.length, 2),
    intervalTuning: choice(['pure', 'tempered'], 'pure'),
    beats: number(4, 16, 8),
    restBeats: number(2, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, intervals, intervalTuning, beats, restBeats, dynamic: loudness }) =>
    series(intervals, (i): Tone => {
      const { semitones, pureCents } = INTERVALS[i]!;
      return {
        note: writtenMidi + semitones,
        offCents: intervalTuning === 'pure' ? pureCents : 0,
        droneMidi: writtenMidi,
        beats,
        dynamics: [loudness],
        attack: 'breath',
        rest: restBeats,
      };
    }),
  teaching: {
    about: ['pitch', 'line'],
    mainNote: 'writtenMidi',
    amount: 'intervals',
    within: { tempoBpm: [50, 80], beats: [4, 12], intervals: [1, 4], dynamic: ['p', 'f'] },
    easier: ['fewer', 'shorter'],
    harder: ['more', 'hideTuner', 'softer'],
    planned: { from: 'advanced', turn: ({ turn }) => ({ writtenMidi: byTurn([67, 65, 69, 62], turn) }) },
  },
});
