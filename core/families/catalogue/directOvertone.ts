import { choice, dynamic, note, number, series, tuning, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** The highest tube of the row downwards, written F4: short tubes come first, they are the easier ones. */
const ROW_FROM_MIDI = 65;
/** From so high down to the fundamental there is a breath for two beats on each. */
const DOWN_FROM = 4;
const WAYS = ['attacked', 'heldLong', 'swelled', 'overTubes', 'straightDown'] as const;

/** An overtone by itself: started without the fundamental, held, swelled, over the tubes, or straight down to 1. */
export const directOvertone = defineFamily({
  id: 'directOvertone',
  stage: 'overtones',
  tempoBpm: 66,
  climbs: true,
  fields: {
    writtenMidi: note(58),
    partial: number(2, 8, 2),
    overtoneWay: choice(WAYS, 'attacked'),
    beats: number(1, 8, 3),
    repeats: number(1, 6, 4),
    restBeats: number(1, 8, 3),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({ writtenMidi, partial, overtoneWay, beats, repeats, restBeats, dynamic: loudness }) => {
    const one: Tone = { note: writtenMidi, partial, beats, dynamics: [loudness], attack: 'breath', rest: restBeats };
    const often = (tone: Tone) => series(repeats, () => tone);
    const ways: Readonly<Record<(typeof WAYS)[number], () => readonly Tone[]>> = {
      attacked: () => often(one),
      heldLong: () => often({ ...one, beats: 2 * beats }),
      swelled: () => often({ ...one, beats: 2 * beats, dynamics: ['p', 'f', 'p'] }),
      overTubes: () =>
        series(Math.max(1, ROW_FROM_MIDI - writtenMidi + 1), (i) => ({
          ...one,
          note: Math.max(writtenMidi, ROW_FROM_MIDI) - i,
        })),
      straightDown: () =>
        series(repeats, () =>
          series(partial, (i): Tone => {
            const last = i === partial - 1;
            return { ...one, partial: partial - i, attack: i === 0 ? 'breath' : 'slurred', rest: last ? restBeats : 0 };
          }),
        ).flat(),
    };
    return ways[overtoneWay]();
  },
  teaching: {
    about: ['start', 'break', 'pitch'],
    mainNote: 'writtenMidi',
    amount: 'repeats',
    within: { tempoBpm: [50, 84], beats: [2, 4], repeats: [2, 6], dynamic: ['mp', 'f'] },
    longestBreathS: 8,
    easier: ['startLouder', 'fewer'],
    harder: ['more', 'hideTuner', 'softer'],
    planned: {
      from: 'home',
      // What was learnt in a ladder is started by itself one partial under the frontier.
      turn: ({ frontier, turn }) => {
        const overtoneWay = byTurn(WAYS, turn);
        const most = overtoneWay === 'straightDown' ? DOWN_FROM : frontier.partial;
        const partial = Math.max(2, Math.min(frontier.partial - 1, most));
        return { writtenMidi: frontier.tubeMidi, partial, overtoneWay };
      },
    },
  },
});
