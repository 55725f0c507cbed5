import { choice, dynamic, number, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

const WAYS = {
  fromAbove: [
    [76, 74],
    [77, 76, 74],
  ],
  byStep: [
    [72, 74],
    [73, 74],
  ],
  acrossSilence: [[72, 74]],
} as const;

/** The longest that a tone is listened for that lasts as long as it holds. */
const MOST_BEATS = 32;
/** How long the silence over the break is. */
const SILENCE_BEATS = 1;

/** Over the break to D5: from above, where it is easier, by a slur from below, or across a silence with the air kept. */
export const crossingBreak = defineFamily({
  id: 'crossingBreak',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: {
    way: choice(['fromAbove', 'byStep', 'acrossSilence'], 'fromAbove'),
    beats: number(1, 8, 2),
    holdBeats: number(2, 16, 4),
    lastNote: choice(['counted', 'asItHolds'], 'counted'),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mf'),
  },
  tones: ({ way, beats, holdBeats, lastNote, restBeats, dynamic: loudness }) =>
    WAYS[way].flatMap((notes, k) =>
      notes.map((note, i): Tone => {
        const last = i === notes.length - 1;
        const silent = way === 'acrossSilence';
        const attack = i === 0 || silent ? 'breath' : 'slurred';
        const open = lastNote === 'asItHolds' && last && k === WAYS[way].length - 1;
        return {
          note,
          beats: open ? MOST_BEATS : last ? holdBeats : beats,
          ...(open && { openEnd: true }),
          dynamics: [loudness],
          attack,
          // The air stays under pressure over the silence: no breath is taken.
          rest: last ? restBeats : [{ kind: 'silence', beats: silent ? SILENCE_BEATS : 0 }],
        };
      }),
    ),
  teaching: {
    about: ['break', 'change'],
    // A squeak at the break is part of learning it.
    unjudged: ['squeak'],
    aims: ['held'],
    within: { tempoBpm: [60, 132], beats: [1, 4], holdBeats: [2, 8], dynamic: ['p', 'f'] },
    easier: ['slower', 'startLouder'],
    harder: ['quicker', 'softer', 'hideTuner'],
    planned: {
      from: 'new',
      meets: ({ midi, reason }) =>
        (reason === 'failing' || reason === 'response') && midi >= 74 && midi <= 75 ? { way: 'fromAbove' } : undefined,
      turn: ({ level, turn }) => ({
        way: level === 'new' ? 'fromAbove' : byTurn(['fromAbove', 'byStep', 'acrossSilence'], turn),
      }),
    },
  },
});
