import {
  SEMITONES_EACH_TIME,
  dynamic,
  eachTime,
  number,
  passage,
  passageTones,
  series,
} from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** A tune or passage of one's own, as it is written: notes, slurs, tonguing, dynamics, rests and whatever else a score can ask. */
export const ownPassage = defineFamily({
  id: 'ownPassage',
  stage: 'wholeHorn',
  tempoBpm: 72,
  fields: {
    phrase: passage('[p] [<] (G4 A4 B4 C5) [f] D5:2 r:2 [>] (C5 B4 A4 G4) [p] D4:2'),
    repeats: number(1, 12, 1),
    eachTime,
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ phrase: text, repeats, eachTime: move, restBeats, dynamic: loudness }) => {
    const tones = passageTones(text, restBeats, loudness);
    return series(repeats, (i) =>
      tones.map((tone) => ({ ...tone, note: tone.note + i * SEMITONES_EACH_TIME[move] })),
    ).flat();
  },
  teaching: {
    about: ['pitch', 'start', 'change', 'level'],
    within: { tempoBpm: [40, 160], dynamic: ['p', 'f'] },
    easier: ['slower', 'startLouder'],
    harder: ['quicker', 'hideTuner'],
    // Never planned by itself: it is the player's own, chosen by hand or by a teacher's routine.
  },
});
