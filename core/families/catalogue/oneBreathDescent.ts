import { dynamic, note, number, series, softerThan } from '@inner-hum/core/exercise';
import { dynamicPosition } from '@inner-hum/core/theory';
import { defineFamily } from '../family';

/** The last notes down to the lowest in one slur and one long fade. */
export const oneBreathDescent = defineFamily({
  id: 'oneBreathDescent',
  stage: 'descents',
  tempoBpm: 88,
  fields: { writtenMidi: note(63), beats: number(1, 8, 2), softest: dynamic('p'), loudest: dynamic('f') },
  tones: ({ writtenMidi, beats, softest, loudest }, horn) => {
    softerThan(softest, loudest);
    const count = writtenMidi - horn.lowestWrittenMidi + 1;
    const from = dynamicPosition(loudest);
    const fall = (from - dynamicPosition(softest)) / count;
    return series(count, (i) => ({
      note: writtenMidi - i,
      beats,
      dynamics: [from - fall * i, from - fall * (i + 1)],
      attack: i === 0 ? ('breath' as const) : ('slurred' as const),
    }));
  },
  teaching: {
    mainNote: 'writtenMidi',
    aims: ['fadeOver'],
    within: { tempoBpm: [60, 132], beats: [1, 4], softest: ['pp', 'mp'], loudest: ['mf', 'ff'] },
    longestBreathS: 16,
    easier: ['startLouder', 'fasterTempo'],
    harder: ['softer', 'hideTuner', 'slower'],
    planned: { from: 'new' },
  },
});
