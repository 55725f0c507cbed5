import { HOP_S } from '@inner-hum/core/signal';
import { levelPosition, type LevelRuler } from '@inner-hum/core/theory';
import { absent, measured, type Measured } from './measured';
import { centroidPartials } from './colour';
import { pitchCentreCents } from './pitch';
import { quantile } from './statistics';
import { MIN_BODY_FRAMES, type ToneBody } from './tone';

/** Thirds of the player's ruler, softest first. */
export const LOUDNESS_BANDS = ['soft', 'medium', 'loud'] as const;
export type LoudnessBand = (typeof LOUDNESS_BANDS)[number];

/** What a tone was while it lay in one third of the ruler. */
interface BandMeasures {
  /** how long it lay there, seconds */
  readonly lastsS: number;
  readonly pitchCentreCents: Measured;
  readonly centroidPartials: Measured;
}
export type ByLoudness = Readonly<Record<LoudnessBand, BandMeasures>>;

/** Share of a body that may be softer than its softest: what is left out as a flicker. */
const FLICKER = 0.05;

/** Third of the ruler in which a level lies; below it is soft, above it loud. */
export function loudnessBand(levelDb: number, ruler: LevelRuler): LoudnessBand {
  return bandAt(levelPosition(levelDb, ruler));
}

/** Third of the ruler of a place on it, 0 (pp) to 1 (ff). */
export function bandAt(position: number): LoudnessBand {
  return position < 1 / 3 ? 'soft' : position < 2 / 3 ? 'medium' : 'loud';
}

/** A body divided by how loud it was; a band with less than 0.2 s has its length only. Thirds are our choice. */
export function byLoudness(body: ToneBody, ruler: LevelRuler): ByLoudness {
  const of = (band: LoudnessBand): BandMeasures => {
    const rows = [...body.levelDb.keys()].filter((i) => loudnessBand(body.levelDb[i]!, ruler) === band);
    const part = bodyOf(body, rows);
    return {
      lastsS: rows.length * HOP_S,
      pitchCentreCents: pitchCentreCents(part),
      centroidPartials: centroidPartials(part),
    };
  };
  return { soft: of('soft'), medium: of('medium'), loud: of('loud') };
}

/** Softest level at which the tone was still itself, dBFS: the lowest of the body but for flickers. */
export function softestDb(body: ToneBody): Measured {
  return body.levelDb.length < MIN_BODY_FRAMES ? absent('tooShort') : measured(quantile(body.levelDb, FLICKER), 0.4);
}

function bodyOf(body: ToneBody, rows: readonly number[]): ToneBody {
  const pick = (values: Float64Array) => Float64Array.from(rows, (i) => values[i]!);
  return {
    frame: Int32Array.from(rows, (i) => body.frame[i]!),
    timeS: pick(body.timeS),
    cents: pick(body.cents),
    levelDb: pick(body.levelDb),
    breathDb: pick(body.breathDb),
    centroidPartials: pick(body.centroidPartials),
  };
}
