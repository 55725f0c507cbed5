import { dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** A straight tone, the same with a vibrato counted by the metronome, and straight again: wanted, it comes; unwanted, it goes. */
export const vibrato = defineFamily({
  id: 'vibrato',
  stage: 'longTones',
  tempoBpm: 72,
  fields: {
    writtenMidi: note(67),
    waves: number(2, 6, 4),
    widthCents: number(8, 60, 20),
    beats: number(4, 16, 6),
    repeats: number(1, 4, 1),
    restBeats: number(2, 12, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, waves, widthCents, beats, repeats, restBeats, dynamic: loudness }) =>
    series(repeats, (): Tone[] => {
      const straight = { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath', rest: restBeats } as const;
      return [straight, { ...straight, vibrato: { waves, widthCents } }, straight];
    }).flat(),
  teaching: {
    about: ['line', 'pitch'],
    mainNote: 'writtenMidi',
    aims: ['vibrato'],
    amount: 'widthCents',
    amountStep: 5,
    // Four to six waves a second, 25 cents to each side: what is wider or quicker is no practice of control.
    within: { tempoBpm: [60, 90], waves: [4, 4], widthCents: [10, 25], beats: [4, 10], dynamic: ['p', 'f'] },
    easier: ['shorter', 'slower'],
    harder: ['quicker', 'more', 'longer'],
    planned: { from: 'home', turn: ({ turn }) => ({ writtenMidi: byTurn([67, 72, 64, 76], turn) }) },
  },
});
