import { choice, dynamic, note, number, series, tuning, type Tone } from '@inner-hum/core/exercise';
import { partialSemitones } from '@inner-hum/core/theory';
import { defineFamily } from '../family';

/**
 * One low fingering, a high partial and its neighbours reached by voicing alone, slurred there and back. Or that partial
 * comes near to its own altissimo fingering: up to it by voicing, then the fingers change and the voicing holds.
 */
export const altissimoVoicing = defineFamily({
  id: 'altissimoVoicing',
  stage: 'altissimo',
  tempoBpm: 60,
  climbs: true,
  fields: {
    writtenMidi: note(60),
    partial: number(3, 9, 6),
    reach: number(1, 2, 1),
    voicingWay: choice(['toNeighbours', 'toFingering'], 'toNeighbours'),
    beats: number(1, 12, 1),
    repeats: number(1, 4, 3),
    restBeats: number(2, 16, 8),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({ writtenMidi, partial, reach, voicingWay, beats, repeats, restBeats, dynamic: loudness }) => {
    const up = series(reach, (i) => partial + i + 1);
    const down = series(reach, (i) => partial - i - 1);
    const back = (list: readonly number[]) => [...list, ...[...list].reverse().slice(1)];
    const voiced = (value: number) => ({ note: writtenMidi, partial: value });
    const regular = { note: writtenMidi + partialSemitones(partial), pair: true };
    const row: readonly Pick<Tone, 'note' | 'partial' | 'pair'>[] =
      voicingWay === 'toNeighbours'
        ? [partial, ...back(up), partial, ...back(down), partial].map(voiced)
        : [...down.reverse().map(voiced), voiced(partial), regular, { ...voiced(partial), pair: true }];
    return series(repeats, () =>
      row.map((tone, i): Tone => ({
        ...tone,
        beats,
        dynamics: [loudness],
        attack: i === 0 ? 'breath' : 'slurred',
        rest: i === row.length - 1 ? restBeats : 0,
      })),
    ).flat();
  },
  teaching: {
    mainNote: 'writtenMidi',
    // Up here another fingering is another colour by its nature.
    unjudged: ['pairColour'],
    amount: 'partial',
    within: { tempoBpm: [50, 92], beats: [1, 4], partial: [4, 9], dynamic: ['mp', 'f'] },
    longestBreathS: 6,
    easier: ['fewer', 'fasterTempo', 'startLouder'],
    harder: ['more', 'hideTuner'],
    // Overtones come first: without the fourth partial there is nothing to voice up here.
    planned: { from: 'advanced', turn: ({ altissimoReady }) => (altissimoReady ? {} : undefined) },
  },
});
