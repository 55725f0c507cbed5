import { dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** A low note started with the tongue, then as often with air alone: if only the tongued ones fail, it is the tongue. */
export const tongueOrAir = defineFamily({
  id: 'tongueOrAir',
  stage: 'lowRegister',
  tempoBpm: 72,
  fields: {
    writtenMidi: note(58),
    starts: number(2, 8, 4),
    beats: number(1, 8, 2),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mp'),
  },
  tones: ({ writtenMidi, starts, beats, restBeats, dynamic: loudness }) =>
    (['tongue', 'breath'] as const).flatMap((attack) =>
      series(starts, () => ({ note: writtenMidi, beats, dynamics: [loudness], attack, rest: restBeats })),
    ),
});
