import { dynamic, note, number, series, tuning, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** One low fingering, a high partial and its neighbours reached by voicing alone, slurred there and back. */
export const altissimoVoicing = defineFamily({
  id: 'altissimoVoicing',
  stage: 'altissimo',
  tempoBpm: 60,
  climbs: true,
  fields: {
    writtenMidi: note(60),
    partial: number(3, 9, 6),
    reach: number(1, 2, 1),
    beats: number(1, 12, 1),
    repeats: number(1, 4, 3),
    restBeats: number(2, 16, 8),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({ writtenMidi, partial, reach, beats, repeats, restBeats, dynamic: loudness }) => {
    const up = series(reach, (i) => partial + i + 1);
    const down = series(reach, (i) => partial - i - 1);
    const back = (list: readonly number[]) => [...list, ...[...list].reverse().slice(1)];
    const row = [partial, ...back(up), partial, ...back(down), partial];
    return series(repeats, () =>
      row.map((value, i): Tone => ({
        note: writtenMidi,
        partial: value,
        beats,
        dynamics: [loudness],
        attack: i === 0 ? 'breath' : 'slurred',
        rest: i === row.length - 1 ? restBeats : 0,
      })),
    ).flat();
  },
  teaching: {
    mainNote: 'writtenMidi',
    amount: 'partial',
    within: { tempoBpm: [50, 92], beats: [1, 4], partial: [4, 9], dynamic: ['mp', 'f'] },
    longestBreathS: 6,
    easier: ['fewer', 'fasterTempo', 'startLouder'],
    harder: ['more', 'hideTuner'],
    // Overtones come first: without the fourth partial there is nothing to voice up here.
    planned: { from: 'advanced', turn: ({ altissimoReady }) => (altissimoReady ? {} : undefined) },
  },
});
