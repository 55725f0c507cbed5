import { dynamic, note, number, softerThan } from '@inner-hum/core/exercise';
import { DYNAMICS } from '@inner-hum/core/theory';
import { defineFamily } from '../family';

/** One note softly, louder, loudest and back, as steps and not as a line: each its own breath, each the same pitch. */
export const terraces = defineFamily({
  id: 'terraces',
  stage: 'swells',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(67),
    softest: dynamic('pp'),
    loudest: dynamic('f'),
    beats: number(2, 8, 4),
    restBeats: number(1, 8, 2),
  },
  tones: ({ writtenMidi, softest, loudest, beats, restBeats }) => {
    softerThan(softest, loudest);
    const [low, high] = [DYNAMICS.indexOf(softest), DYNAMICS.indexOf(loudest)];
    const middle = DYNAMICS[Math.floor((low + high) / 2)]!;
    return [softest, middle, loudest, middle, softest].map((loudness) => ({
      note: writtenMidi,
      beats,
      dynamics: [loudness],
      attack: 'breath',
      rest: restBeats,
    }));
  },
  teaching: {
    about: ['level', 'line'],
    mainNote: 'writtenMidi',
    aims: ['softAgainstLoud'],
    within: { tempoBpm: [50, 92], beats: [2, 6], softest: ['pp', 'mp'], loudest: ['mf', 'ff'] },
    easier: ['startLouder', 'shorter', 'easierNote'],
    harder: ['hideTuner', 'wider', 'softer', 'harderNote'],
    planned: { from: 'home', turn: ({ weakest, turn }) => ({ writtenMidi: weakest(turn % 2 ? 'low' : 'middle') }) },
  },
});
