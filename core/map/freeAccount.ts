import type { Score } from '@inner-hum/core/exercise';
import { LOUDNESS_BANDS, median, valueOf, type LoudnessBand, type StepMeasures } from '@inner-hum/core/measure';

/** What free play told of one written note. */
export interface FreeNote {
  readonly midi: number;
  /** how often it was held, and the longest, seconds */
  readonly times: number;
  readonly longestS: number;
  /** where it lay in each third of the ruler, cents; left out where it was not heard there */
  readonly cents: Readonly<Partial<Record<LoudnessBand, number>>>;
}

/** The notes of free play, lowest first, each with how it leaned soft and loud. */
export function freeAccount({ steps }: Pick<Score, 'steps'>, measures: readonly StepMeasures[]): FreeNote[] {
  const own = new Map<number, Extract<StepMeasures, { kind: 'sounded' }>[]>();
  measures.forEach((step, i) => {
    if (step.kind !== 'sounded') return;
    const midi = steps[i]!.soundedMidi;
    own.set(midi, [...(own.get(midi) ?? []), step]);
  });
  return [...own]
    .sort(([a], [b]) => a - b)
    .map(([midi, tones]) => ({
      midi,
      times: tones.length,
      longestS: Math.max(...tones.map(({ onsetS, endS }) => endS - onsetS)),
      cents: Object.fromEntries(
        LOUDNESS_BANDS.flatMap((band) => {
          const heard = tones.flatMap((tone) => valueOf(tone.byLoudness[band].pitchCentreCents) ?? []);
          return heard.length > 0 ? [[band, median(heard)]] : [];
        }),
      ),
    }));
}
