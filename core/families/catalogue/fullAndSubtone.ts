import { choice, dynamic, note, number, type Tone } from '@inner-hum/core/exercise';
import type { Dynamic } from '@inner-hum/core/theory';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** The same low note full, plainly soft, as a subtone and full again: a subtone is another voice, not only less of it. */
export const fullAndSubtone = defineFamily({
  id: 'fullAndSubtone',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(62),
    beats: number(2, 16, 4),
    breaths: choice(['oneEach', 'allInOne'], 'oneEach'),
    dynamic: dynamic('mf'),
    subtone: dynamic('pp'),
  },
  tones: ({ writtenMidi, beats, breaths, dynamic: loudness, subtone }) => {
    // In one breath it turns from voice to voice, nothing but the voicing moved.
    const apart = breaths === 'oneEach';
    const tone = (level: Dynamic, first = apart): Tone => ({
      note: writtenMidi,
      beats,
      dynamics: [level],
      attack: first ? 'breath' : 'slurred',
      ...(apart && { rest: 2 }),
    });
    return [tone(loudness, true), tone(subtone), { ...tone(subtone), subtone: true }, { ...tone(loudness), rest: 0 }];
  },
  teaching: {
    about: ['colour', 'pitch', 'line'],
    mainNote: 'writtenMidi',
    unjudged: ['response', 'air', 'peak', 'slurLevel'],
    aims: ['subtone'],
    within: { tempoBpm: [50, 90], beats: [2, 8], dynamic: ['mp', 'f'], subtone: ['pp', 'p'] },
    easier: ['shorter', 'fasterTempo'],
    harder: ['longer', 'hideTuner', 'slower'],
    planned: {
      from: 'home',
      goals: { subtone: (writtenMidi) => ({ writtenMidi }) },
      turn: ({ turn }) => ({ writtenMidi: byTurn([62, 60, 58, 64, 65], turn) }),
    },
  },
});
