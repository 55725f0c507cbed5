import { canFinger, fingeringText, TRY_FINGERINGS } from '@inner-hum/core/theory';
import { choice, dynamic, note, number, series, text } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** One fingering for one note, three tries, each started anew. */
export const fingeringTrial = defineFamily({
  id: 'fingeringTrial',
  stage: 'altissimo',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(91),
    // Keys of the fingering on trial, in the order of the drawing, with spaces between.
    fingering: text(''),
    beats: number(2, 8, 4),
    tries: number(1, 6, 3),
    attack: choice(['breath', 'tongue'], 'breath'),
    restBeats: number(2, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, beats, tries, attack, restBeats, dynamic: loudness }) =>
    series(tries, () => ({ note: writtenMidi, beats, dynamics: [loudness], attack, rest: restBeats })),
  teaching: {
    about: ['start', 'pitch', 'break'],
    mainNote: 'writtenMidi',
    amount: 'tries',
    within: { beats: [2, 6], tries: [2, 5], dynamic: ['mp', 'f'] },
    longestBreathS: 5,
    easier: ['shorter', 'startLouder'],
    harder: ['longer', 'softer'],
    planned: {
      from: 'advanced',
      turn: ({ horn, turn, frontier }) => {
        if (frontier.partial <= 3) return undefined;
        const known = TRY_FINGERINGS.filter(
          ({ midi, sizes, keys }) =>
            midi > horn.highestKeyedWrittenMidi && sizes.includes(horn.id) && canFinger(horn, keys),
        );
        const { midi, keys } = byTurn(known, turn);
        return { writtenMidi: midi, fingering: fingeringText(keys) };
      },
    },
  },
});
