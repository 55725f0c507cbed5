import { choice, dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import type { Dynamic } from '@inner-hum/core/theory';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

const REST_BEATS = 2;
/** The run ends here, written A4: over it a subtone is not asked of anybody. */
const RUN_TO_MIDI = 69;
const NOTES_IN_BREATH = 4;
const PULSES = 4;
const SLOW_VIBRATO = { waves: 4, widthCents: 15 } as const;

/**
 * The same low note full, plainly soft, as a subtone and full again: a subtone is another voice, not only less of it. Or
 * the subtone runs up to find where it stops, or comes in pulses of the air.
 */
export const fullAndSubtone = defineFamily({
  id: 'fullAndSubtone',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(62),
    beats: number(2, 16, 4),
    breaths: choice(['oneEach', 'allInOne', 'runUp', 'pulses'], 'oneEach'),
    subtoneVibrato: choice(['none', 'slow'], 'none'),
    dynamic: dynamic('mf'),
    subtone: dynamic('pp'),
  },
  tones: ({ writtenMidi, beats, breaths, subtoneVibrato, dynamic: loudness, subtone }) => {
    // In one breath it turns from voice to voice, nothing but the voicing moved.
    const inOne = breaths === 'allInOne';
    const tone = (level: Dynamic, first = !inOne): Tone => ({
      note: writtenMidi,
      beats,
      dynamics: [level],
      attack: first ? 'breath' : 'slurred',
      ...(!inOne && { rest: REST_BEATS }),
    });
    const sub: Tone = {
      ...tone(subtone),
      subtone: true,
      ...(subtoneVibrato === 'slow' && { vibrato: SLOW_VIBRATO }),
    };
    const short = { ...sub, beats: beats / 2, rest: 0 };
    const voiced: Readonly<Record<typeof breaths, () => readonly Tone[]>> = {
      oneEach: () => [sub],
      allInOne: () => [sub],
      runUp: () =>
        series(Math.max(1, RUN_TO_MIDI - writtenMidi + 1), (i): Tone => {
          const begins = i % NOTES_IN_BREATH === 0;
          const ends = (i + 1) % NOTES_IN_BREATH === 0 || writtenMidi + i >= RUN_TO_MIDI;
          return {
            ...short,
            note: writtenMidi + i,
            attack: begins ? 'breath' : 'slurred',
            rest: ends ? REST_BEATS : 0,
          };
        }),
      pulses: () => series(PULSES, (i) => ({ ...short, rest: i === PULSES - 1 ? REST_BEATS : 0 })),
    };
    return [tone(loudness, true), tone(subtone), ...voiced[breaths](), { ...tone(loudness), rest: 0 }];
  },
  teaching: {
    about: ['colour', 'pitch', 'line'],
    mainNote: 'writtenMidi',
    unjudged: ['response', 'air', 'peak', 'slurLevel'],
    aims: ['subtone', 'subtoneRun', 'vibrato'],
    within: { tempoBpm: [50, 90], beats: [2, 8], dynamic: ['mp', 'f'], subtone: ['pp', 'p'] },
    easier: ['shorter', 'fasterTempo'],
    harder: ['longer', 'hideTuner', 'slower'],
    planned: {
      from: 'home',
      goals: { subtone: (writtenMidi) => ({ writtenMidi }) },
      // Every fifth turn it runs up from the bottom, to find where it stops.
      turn: ({ turn }) =>
        turn % 5 === 4 ? { writtenMidi: 60, breaths: 'runUp' } : { writtenMidi: byTurn([62, 60, 58, 64, 65], turn) },
    },
  },
});
