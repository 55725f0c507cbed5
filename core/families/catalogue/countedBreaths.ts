import { zoneOf } from '@inner-hum/core/theory';
import { choice, dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { dynamicOf } from '../teaching';

/** Play so many beats, breathe so many, again and again: the last as good as the first. */
export const countedBreaths = defineFamily({
  id: 'countedBreaths',
  stage: 'longTones',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(67),
    beats: number(2, 32, 8),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mf'),
    attack: choice(['breath', 'tongue'], 'breath'),
    repeats: number(2, 16, 6),
  },
  tones: ({ writtenMidi, beats, dynamic: loudness, attack, repeats, restBeats }) =>
    series(repeats, () => ({ note: writtenMidi, beats, dynamics: [loudness], attack, rest: restBeats })),
  teaching: {
    about: ['start', 'line', 'time'],
    mainNote: 'writtenMidi',
    aims: ['stamina'],
    amount: 'repeats',
    within: { tempoBpm: [50, 108], dynamic: ['pp', 'f'], beats: [2, 12], repeats: [2, 10] },
    easier: ['shorter', 'fewer', 'fasterTempo'],
    harder: ['more', 'longer', 'softer', 'hideTuner'],
    planned: {
      from: 'new',
      meets: ({ midi, reason, band }) => {
        if (zoneOf(midi) === 'low') return undefined;
        if (reason === 'failing') return { writtenMidi: midi, beats: 4, dynamic: dynamicOf(band) };
        return reason === 'response' ? { writtenMidi: midi, beats: 4, dynamic: 'p' } : undefined;
      },
      turn: ({ weakest }) => ({ writtenMidi: weakest('middle') }),
    },
  },
});
