import { beatSeconds, type Score } from '@inner-hum/core/exercise';
import type { Aim } from '@inner-hum/core/families';
import { DEMAND_CENTS, limitOf, median, responseSeries, valueOf, type StepMeasures } from '@inner-hum/core/measure';
import { dynamicPosition, type LevelRuler } from '@inner-hum/core/theory';
import { finding, type Finding } from './finding';
import { rowOf, type FindingId } from './findings.data';
import type { Sounded } from './rule';
import type { TakeCase } from './takeCase';

/** Share of starts that must fail for a way of starting to fail, and what the other way may have. */
const FAILS = 0.4;
const SPEAKS = 0.2;
/** The last third is worse than the first when it holds this much less of the pitch window, or speaks so much later. */
const WORSE_SHARE = 0.25;
const WORSE_RESPONSE_S = 0.06;
/** Changes are uneven when they wander by this share of a beat, over at least so many. */
const UNEVEN_BEATS = 0.07;
const LEAST_CHANGES = 4;
/** Two pairs differ in their distance when it is by this much, dB: twice the error of one. */
const NEARER_DB = 1.5;
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
/** A vibrato that was asked for: how far its rate may be off, how narrow and how wide it may be, and how regular it is. */
const VIBRATO = { rateShare: 0.12, narrow: 0.6, wide: 1.7, regular: 0.7, straightCents: 8 } as const;
/** A colour that travels less than this over the vowels stayed where it was, partials. */
const COLOUR_TRAVEL = 0.5;

/** A take as its aims are judged: what was played of it, up to the last tone that sounded. */
interface Played {
  readonly measures: readonly StepMeasures[];
  readonly about: TakeCase;
}

/** What is found of each aim. */
const AIMS: Readonly<Record<Aim, (played: Played) => Finding[]>> = {
  ways,
  stamina,
  changeTimes,
  held,
  subtone,
  softest,
  fadeOver,
  colourTravel,
  colourMatch,
  softAgainstLoud,
  fromNothing,
  vibrato,
};

/** Whether a finding of a tone is said by a missed aim of the whole exercise. */
export function saidByAim(id: FindingId, aims: readonly Finding[]): boolean {
  return aims.some((aim) => rowOf(aim.id).explainsInTake?.includes(id));
}

/** What a family's own aims find, and what any row of pairs shows. */
export function aimFindings(measures: readonly StepMeasures[], about: TakeCase, aims: readonly Aim[]): Finding[] {
  const played = { measures: measures.slice(0, measures.findLastIndex(isSounded) + 1), about };
  return [...aims.flatMap((aim) => AIMS[aim](played)), ...pairsNearer(played)];
}

function isSounded(step: StepMeasures): step is Sounded {
  return step.kind === 'sounded';
}

/** Tones that sounded, each with its place in the score. */
function soundedOf({ measures }: Played) {
  return measures.flatMap((step, stepIndex) => (isSounded(step) ? [{ step, stepIndex }] : []));
}

/** Which way of starting fails. */
function ways({ measures, about: { score } }: Played): Finding[] {
  const failing = (attack: 'tongue' | 'breath') => {
    const starts = measures.filter((_, i) => score.steps[i]!.attack === attack);
    return starts.length ? 1 - responseSeries(starts).spokeShare : 0;
  };
  const tongue = failing('tongue');
  const air = failing('breath');
  const values = { tonguePercent: 100 * tongue, airPercent: 100 * air };
  const severity = Math.max(tongue, air) / FAILS;
  if (tongue >= FAILS && air >= FAILS) return [finding('bothFail', 0, values, severity)];
  if (tongue >= FAILS && air <= SPEAKS) return [finding('tongueFails', 0, values, severity)];
  if (air >= FAILS && tongue <= SPEAKS) return [finding('airFails', 0, values, severity)];
  return [];
}

/** Whether the last tones are as good as the first. */
function stamina({ measures }: Played): Finding[] {
  const third = Math.floor(measures.length / 3);
  if (third === 0) return [];
  const first = measures.slice(0, third);
  const last = measures.slice(-third);
  const share = (steps: readonly StepMeasures[]) =>
    mean(steps.map((step) => (isSounded(step) ? (valueOf(step.shareInWindow) ?? 0) : 0)));
  const response = (steps: readonly StepMeasures[]) => responseSeries(steps).medianResponseS ?? 0;
  const less = share(first) - share(last);
  const laterS = response(last) - response(first);
  if (less < WORSE_SHARE && laterS < WORSE_RESPONSE_S) return [];
  const values = { percent: Math.max(0, 100 * less), ms: Math.max(0, 1000 * laterS) };
  return [finding('laterWorse', measures.length - 1, values, Math.max(less / WORSE_SHARE, laterS / WORSE_RESPONSE_S))];
}

/** Changes whose moments wander against the count. */
function changeTimes({ measures, about: { score } }: Played): Finding[] {
  const limitS = UNEVEN_BEATS * beatSeconds(score);
  const offS = measures.flatMap((step) => (isSounded(step) && step.pair ? (valueOf(step.pair.changeS) ?? []) : []));
  if (offS.length < LEAST_CHANGES) return [];
  const centreS = median(offS);
  const spreadS = Math.sqrt(mean(offS.map((oneS) => (oneS - centreS) ** 2)));
  if (spreadS < limitS) return [];
  return [finding('unevenTime', 0, { ms: 1000 * spreadS, count: offS.length }, spreadS / limitS)];
}

/** How long the best tone held, and what ended it. A tone that ended because the breath did has no fault. */
function held({ measures, about: { score } }: Played): Finding[] {
  const beatsOf = (step: StepMeasures) => (isSounded(step) ? (valueOf(step.hold.beats) ?? 0) : 0);
  const beats = Math.max(0, ...measures.map(beatsOf));
  const stepIndex = measures.findIndex((step) => beatsOf(step) === beats);
  const best = measures[stepIndex];
  if (beats === 0 || !best || !isSounded(best)) return [];
  const until = {
    jump: 'heldUntilJump',
    dropOut: 'heldUntilGap',
    pitch: 'heldUntilPitch',
    ended: 'held',
    none: 'held',
  };
  const id = until[best.hold.fault] as 'held' | 'heldUntilJump' | 'heldUntilGap' | 'heldUntilPitch';
  return [finding(id, stepIndex, { beats, seconds: beats * beatSeconds(score) }, 1)];
}

/**
 * Whether the tone that is meant so was a subtone: well under the full one and darker, at the same pitch, and another
 * voice than the plain soft tone before it. Takes of an earlier score have no such tone: there the second is meant.
 */
function subtone({ measures, about: { score, demand } }: Played): Finding[] {
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
function softest(played: Played): Finding[] {
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
function softAgainstLoud(played: Played): Finding[] {
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
function fromNothing(played: Played): Finding[] {
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

/** Whether a vibrato came as it was asked for, and went where none was. */
function vibrato(played: Played): Finding[] {
  const { score } = played.about;
  const found = soundedOf(played).flatMap(({ step, stepIndex }): Finding[] => {
    const asked = score.steps[stepIndex]!.vibrato;
    const cents = valueOf(step.vibratoCents) ?? 0;
    const hz = valueOf(step.vibratoHz);
    const { straightCents, narrow, wide, rateShare, regular } = VIBRATO;
    if (!asked)
      return cents > straightCents ? [finding('vibratoStays', stepIndex, { cents }, cents / straightCents)] : [];
    if (hz === undefined) return [finding('vibratoMissing', stepIndex, {}, MISSING)];
    const waves = hz * beatSeconds(score);
    const off = Math.abs(waves - asked.waves) / asked.waves;
    if (off > rateShare) return [finding('vibratoOff', stepIndex, { waves, asked: asked.waves }, off / rateShare)];
    const width = cents / asked.widthCents;
    const values = { cents, asked: asked.widthCents };
    if (width < narrow) return [finding('vibratoNarrow', stepIndex, values, narrow / Math.max(0.1, width))];
    if (width > wide) return [finding('vibratoWide', stepIndex, values, width / wide)];
    const regularity = valueOf(step.vibratoRegularity) ?? 0;
    if (regularity < regular)
      return [finding('vibratoUneven', stepIndex, { percent: 100 * regularity }, regular / Math.max(0.1, regularity))];
    return [finding('vibratoRight', stepIndex, { waves, cents })];
  });
  const missed = found.filter(({ weight }) => weight > 0).sort((a, b) => (b.severity ?? 0) - (a.severity ?? 0));
  // Once each, of the tone that has it most.
  const each = missed.filter(({ id }, i) => missed.findIndex((candidate) => candidate.id === id) === i);
  return each.length > 0 ? each : found.slice(0, 1);
}
/** All of what was asked is not there. */
const MISSING = 3;

/** One fade over all the tones: none louder than the one before, and far enough in the end. */
function fadeOver(played: Played): Finding[] {
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

/** How far the colour travelled while the pitch stayed. */
function colourTravel(played: Played): Finding[] {
  const widest = Math.max(0, ...soundedOf(played).flatMap(({ step }) => valueOf(step.colourTravelPartials) ?? []));
  if (soundedOf(played).length === 0) return [];
  return widest < COLOUR_TRAVEL
    ? [finding('colourStays', 0, { partials: widest }, COLOUR_TRAVEL / Math.max(0.1, widest))]
    : [finding('colourTravels', 0, { partials: widest })];
}

/** How near the colours of the pairs are; that they are too far apart is a finding of the pair. */
function colourMatch(played: Played): Finding[] {
  const apart = pairDistances(played);
  if (apart.length === 0) return [];
  const db = median(apart.map((pair) => pair.db));
  return db <= limitOf('pairDistanceDb', played.about.demand) ? [finding('colourNear', 0, { db })] : [];
}

/** Pairs that come nearer to each other over the tries. */
function pairsNearer(played: Played): Finding[] {
  const apart = pairDistances(played);
  const [first, last] = [apart[0], apart.at(-1)];
  if (!first || !last || first.db - last.db < NEARER_DB) return [];
  return [finding('pairsNearer', last.stepIndex, { fromDb: first.db, db: last.db })];
}

function pairDistances(played: Played) {
  return soundedOf(played).flatMap(({ step, stepIndex }) => {
    const db = step.pair && valueOf(step.pair.spectralDistanceDb);
    return db === undefined ? [] : [{ db, stepIndex }];
  });
}

/** Median level of a tone's body, dBFS. */
function levelDb(step: Sounded): number | undefined {
  return valueOf(step.levelDb);
}

/** What the score asks the level to fall by from its first tone to its last, dB. */
function plannedFall({ steps }: Score, ruler: LevelRuler | undefined): number {
  const [first, last] = [steps[0]!, steps.at(-1)!];
  const spanDb = ruler ? ruler.loudestDb - ruler.softestDb : 30;
  return Math.max(0, (placeOf(first) - placeOf(last)) * spanDb);
}

/** Where a step lies on the ruler on the whole, 0–1. */
function placeOf({ dynamics }: Score['steps'][number]): number {
  return mean(dynamics.map(({ dynamic, position }) => position ?? dynamicPosition(dynamic)));
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
}
