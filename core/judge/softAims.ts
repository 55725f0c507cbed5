import type { Score } from '@inner-hum/core/exercise';
import { DEMAND_CENTS, limitOf, median, valueOf, type StepMeasures } from '@inner-hum/core/measure';
import type { LevelRuler } from '@inner-hum/core/theory';
import { finding, type Finding } from './finding';
import type { Sounded } from './rule';
import { type Played, isSounded, soundedOf, levelDb, placeOf } from './played';

/**
 * A subtone lies this far under the full tone, dB, with so much less colour, share of its centroid; and against the plain
 * soft tone it is darker too and carries so much more air, dB. Our choice.
 */
const SUBTONE_DB = 6;
const SUBTONE_COLOUR = 0.85;
const SUBTONE_DARKER = 0.95;
const SUBTONE_AIR_DB = 3;
/** A tone of a fade may be this much louder than the one before it, dB. */
const FADE_BACK_DB = 2.5;
/** A tone that comes out of nothing begins no farther than this over the softest of the ruler, dB. */
const OUT_OF_NOTHING_DB = 6;

/**
 * Whether the tone that is meant so was a subtone: well under the full one and darker, at the same pitch, and another
 * voice than the plain soft tone before it. Takes of an earlier score have no such tone: there the second is meant.
 */
export function subtone({ measures, about: { score, demand } }: Played): Finding[] {
  const marked = score.steps.findIndex((step) => step.subtone);
  const at = marked < 0 ? 1 : marked;
  const [full, sub] = [measures[0], measures[at]];
  if (!full || !sub || !isSounded(full) || !isSounded(sub)) return [];
  const [loudDb, softDb] = [levelDb(full), levelDb(sub)];
  const [bright, dark] = [valueOf(full.centroidPartials), valueOf(sub.centroidPartials)];
  if (loudDb === undefined || softDb === undefined || bright === undefined || dark === undefined) return [];
  const db = loudDb - softDb;
  const found: Finding[] = [];
  if (db < SUBTONE_DB || dark > SUBTONE_COLOUR * bright) {
    const severity = Math.max(SUBTONE_DB / Math.max(1, db), dark / (SUBTONE_COLOUR * bright));
    found.push(finding('noSubtone', at, { db: Math.max(0, db), partials: Math.max(0, bright - dark) }, severity));
  } else found.push(plainSoft(marked > 1 ? measures[at - 1] : undefined, sub, at) ?? finding('subtone', at, { db }));
  const sag = (valueOf(full.pitchCentreCents) ?? 0) - (valueOf(sub.pitchCentreCents) ?? 0);
  const limit = DEMAND_CENTS[demand];
  if (sag > limit) found.push(finding('subtoneSags', at, { cents: sag }, sag / limit));
  return found;
}

/**
 * Where a subtone that runs up stops being one: the first tone over its first that breaks, does not speak, or has lost
 * the air or the softness that told it from the plain soft tone. Its colour is not compared: each note has its own.
 */
export function subtoneRun({ measures, about: { score } }: Played): Finding[] {
  const run = score.steps.flatMap((step, stepIndex) => (step.subtone ? [stepIndex] : []));
  const from = run[0];
  if (from === undefined || new Set(run.map((at) => score.steps[at]!.soundedMidi)).size < 2) return [];
  const [full, plain, first] = [measures[0], measures[from - 1], measures[from]];
  if (!full || !isSounded(full) || !plain || !isSounded(plain) || !first || !isSounded(first)) return [];
  const [fullDb, clear] = [levelDb(full), valueOf(plain.breathRatioDb)];
  if (fullDb === undefined || clear === undefined) return [];
  const holds = (step: StepMeasures | undefined) => {
    if (!step || !isSounded(step) || step.jumps.length > 0) return false;
    const [db, airy] = [levelDb(step), valueOf(step.breathRatioDb)];
    return db === undefined || airy === undefined || (fullDb - db >= SUBTONE_DB && airy - clear >= SUBTONE_AIR_DB);
  };
  const stopsAt = run.find((at) => !holds(measures[at]));
  // One that was none from the start is told as that.
  if (stopsAt === from) return [];
  if (stopsAt === undefined) return [finding('subtoneRuns', run.at(-1)!, { count: run.length - 1 })];
  return [
    finding('subtoneStops', stopsAt, { count: score.steps[stopsAt]!.soundedMidi - score.steps[from]!.soundedMidi }, 1),
  ];
}

/** A soft tone in the voice of the plain one before it; nothing where one of the two can't be told. */
function plainSoft(plain: StepMeasures | undefined, sub: Sounded, at: number): Finding | undefined {
  if (!plain || !isSounded(plain)) return undefined;
  const [bright, dark] = [valueOf(plain.centroidPartials), valueOf(sub.centroidPartials)];
  const [clear, airy] = [valueOf(plain.breathRatioDb), valueOf(sub.breathRatioDb)];
  if (bright === undefined || dark === undefined || clear === undefined || airy === undefined) return undefined;
  const db = airy - clear;
  if (db >= SUBTONE_AIR_DB && dark <= SUBTONE_DARKER * bright) return undefined;
  const severity = Math.max(SUBTONE_AIR_DB - db, 0) / SUBTONE_AIR_DB + 1;
  return finding('plainSoft', at, { db: Math.max(0, db), partials: Math.max(0, bright - dark) }, severity);
}

/** How soft the softest tone was, over the softest of the player's ruler; only told against a measured one. */
export function softest(played: Played): Finding[] {
  const { ruler } = played.about;
  if (ruler?.origin !== 'measured') return [];
  const levels = soundedOf(played).flatMap(({ step, stepIndex }) => {
    const db = valueOf(step.softestDb);
    return db === undefined ? [] : [{ db, stepIndex }];
  });
  const best = levels.sort((a, b) => a.db - b.db)[0];
  return best ? [finding('firstTraceAt', best.stepIndex, { db: best.db - ruler.softestDb })] : [];
}

/** Whether the soft tones leaned away from the loud ones: by their medians, told of the soft tone that leaned most. */
export function softAgainstLoud(played: Played): Finding[] {
  const { score, demand } = played.about;
  const tones = soundedOf(played).flatMap(({ step, stepIndex }) => {
    const cents = valueOf(step.pitchCentreCents);
    const db = levelDb(step);
    return cents === undefined || db === undefined
      ? []
      : [{ cents, db, stepIndex, place: placeOf(score.steps[stepIndex]!) }];
  });
  const soft = tones.filter(({ place }) => place < LOUD_PLACE);
  const loud = tones.filter((tone) => !soft.includes(tone));
  if (soft.length === 0 || loud.length === 0) return [];
  const loudCents = median(loud.map(({ cents }) => cents));
  const cents = median(soft.map((tone) => tone.cents)) - loudCents;
  const limit = DEMAND_CENTS[demand];
  if (Math.abs(cents) <= limit) return [];
  const apartDb = median(loud.map(({ db }) => db)) - median(soft.map(({ db }) => db));
  // Tones that hardly differ in loudness tell nothing of it.
  if (apartDb < APART_DB) return [];
  const worst = soft.reduce((most, tone) => ((tone.cents - most.cents) * cents > 0 ? tone : most));
  const id = cents > 0 ? 'sharpWhenSoft' : 'flatWhenSoft';
  const per10Db = 10 / apartDb;
  const values = { cents: Math.abs(cents) * per10Db, uncertainty: MEDIAN_CENTS * per10Db };
  return [finding(id, worst.stepIndex, values, Math.abs(cents) / limit)];
}
/** Soft and loud tones must lie this far apart to be compared, dB. */
const APART_DB = 6;
/** From here on the ruler is loud. */
const LOUD_PLACE = 0.5;
/** How well the median of a few tones is known, cents. */
const MEDIAN_CENTS = 2;

/** How far over the softest of a measured ruler the worst tone began. */
export function fromNothing(played: Played): Finding[] {
  const { ruler } = played.about;
  if (ruler?.origin !== 'measured') return [];
  const starts = soundedOf(played).flatMap(({ step, stepIndex }) => {
    const db = valueOf(step.softestDb);
    return db === undefined ? [] : [{ db: Math.max(0, db - ruler.softestDb), stepIndex }];
  });
  const worst = starts.sort((a, b) => b.db - a.db)[0];
  if (!worst) return [];
  return worst.db > OUT_OF_NOTHING_DB
    ? [finding('startsAbove', worst.stepIndex, { db: worst.db }, worst.db / OUT_OF_NOTHING_DB)]
    : [finding('fromNothing', worst.stepIndex, { db: worst.db })];
}

/** One fade over all the tones: none louder than the one before, and far enough in the end. */
export function fadeOver(played: Played): Finding[] {
  const { score, demand } = played.about;
  const levels = soundedOf(played).flatMap(({ step, stepIndex }) => {
    const db = levelDb(step);
    return db === undefined ? [] : [{ db, stepIndex }];
  });
  if (levels.length < 3) return [];
  const rises = levels.slice(1).map(({ db, stepIndex }, i) => ({ db: db - levels[i]!.db, stepIndex }));
  const largest = rises.reduce((most, rise) => (rise.db > most.db ? rise : most));
  const fallDb = levels[0]!.db - levels.at(-1)!.db;
  const plannedDb = plannedFall(score, played.about.ruler);
  if (largest.db > FADE_BACK_DB)
    return [finding('fadeBack', largest.stepIndex, { db: largest.db }, largest.db / FADE_BACK_DB)];
  const wantedDb = limitOf('rangeShare', demand) * plannedDb;
  const whole = levels.length === score.steps.length;
  if (whole && fallDb < wantedDb) {
    const severity = wantedDb / Math.max(1, fallDb);
    return [finding('fadeShallow', levels.at(-1)!.stepIndex, { db: Math.max(0, fallDb), plannedDb }, severity)];
  }
  return [finding('fades', 0, { db: Math.max(0, fallDb) })];
}

/** What the score asks the level to fall by from its first tone to its last, dB. */
function plannedFall({ steps }: Score, ruler: LevelRuler | undefined): number {
  const [first, last] = [steps[0]!, steps.at(-1)!];
  const spanDb = ruler ? ruler.loudestDb - ruler.softestDb : 30;
  return Math.max(0, (placeOf(first) - placeOf(last)) * spanDb);
}
