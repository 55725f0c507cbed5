import { choice, dynamic, note, number, series, tuning, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { inTubeOrder, tubeOrder } from '../tubeOrder';
import { byTurn } from '../teaching';

/** The highest tube of the row downwards, written F4: short tubes come first, they are the easier ones. */
const ROW_FROM_MIDI = 65;
/** From so high down to the fundamental there is a breath for two beats on each. */
const DOWN_FROM = 4;
const WAYS = ['attacked', 'heldLong', 'swelled', 'overTubes', 'straightDown', 'rowDown', 'asItHolds'] as const;
/** Longest that a tone which goes on for as long as it is good is listened for, beats. */
const MOST_BEATS = 60;

/**
 * An overtone by itself: started without the fundamental, held, held for as long as it is good, swelled, over the tubes, straight down
 * to 1, or over the tubes from each overtone down to its fundamental.
 */
export const directOvertone = defineFamily({
  id: 'directOvertone',
  stage: 'overtones',
  tempoBpm: 66,
  climbs: true,
  fields: {
    writtenMidi: note(58),
    partial: number(2, 8, 2),
    overtoneWay: choice(WAYS, 'attacked'),
    tubeOrder,
    beats: number(1, 8, 3),
    repeats: number(1, 6, 4),
    restBeats: number(1, 8, 3),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({ writtenMidi, partial, overtoneWay, tubeOrder: order, beats, repeats, restBeats, dynamic: loudness }) => {
    const one: Tone = { note: writtenMidi, partial, beats, dynamics: [loudness], attack: 'breath', rest: restBeats };
    const often = (tone: Tone) => series(repeats, () => tone);
    const tubes = inTubeOrder(
      series(Math.max(1, ROW_FROM_MIDI - writtenMidi + 1), (i) => Math.max(writtenMidi, ROW_FROM_MIDI) - i),
      order,
    );
    const ways: Readonly<Record<(typeof WAYS)[number], () => readonly Tone[]>> = {
      attacked: () => often(one),
      heldLong: () => often({ ...one, beats: 2 * beats }),
      swelled: () => often({ ...one, beats: 2 * beats, dynamics: ['p', 'f', 'p'] }),
      asItHolds: () => [{ ...one, beats: MOST_BEATS, openEnd: true, rest: 0 }],
      overTubes: () => tubes.map((tube) => ({ ...one, note: tube })),
      rowDown: () =>
        tubes.flatMap((tube): Tone[] => [
          { ...one, note: tube, rest: 0 },
          { ...one, note: tube, partial: 1, attack: 'slurred' },
        ]),
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
    aims: ['held'],
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
