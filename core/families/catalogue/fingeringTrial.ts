import { canFinger, fingeringText, TRY_FINGERINGS } from '@inner-hum/core/theory';
import { choice, dynamic, note, number, series, text } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** So many fingerings of a note are tried side by side. */
const MOST_SIDE_BY_SIDE = 3;

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
      turn: ({ horn, turn, altissimoReady, found }) => {
        if (!altissimoReady) return undefined;
        const known = TRY_FINGERINGS.filter(
          ({ midi, sizes, keys }) =>
            midi > horn.highestKeyedWrittenMidi && sizes.includes(horn.id) && canFinger(horn, keys),
        );
        // One note until it is found, its fingerings side by side; then the next above it.
        const next = known
          .map(({ midi }) => midi)
          .sort((a, b) => a - b)
          .find((midi) => !found(midi));
        if (next === undefined) return undefined;
        const { midi, keys } = byTurn(known.filter(({ midi: on }) => on === next).slice(0, MOST_SIDE_BY_SIDE), turn);
        return { writtenMidi: midi, fingering: fingeringText(keys) };
      },
    },
  },
});
