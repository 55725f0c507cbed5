import { beatSeconds } from '@inner-hum/core/exercise';
import type { Aim } from '@inner-hum/core/families';
import { LEAST_HOLD_S, limitOf, median, responseSeries, valueOf, type StepMeasures } from '@inner-hum/core/measure';
import { finding, type Finding } from './finding';
import { rowOf, type FindingId } from './findings.data';
import type { TakeCase } from './takeCase';
import { type Played, isSounded, soundedOf, mean, MISSING } from './played';
import { subtone, subtoneRun, softest, softAgainstLoud, fromNothing, fadeOver } from './softAims';

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
/** A vibrato that was asked for: how far its rate may be off, how narrow and how wide it may be, and how regular it is. */
const VIBRATO = { rateShare: 0.12, narrow: 0.6, wide: 1.7, regular: 0.7, straightCents: 8 } as const;
/** A colour that travels less than this over the vowels stayed where it was, partials. */
const COLOUR_TRAVEL = 0.5;

/** What is found of each aim. */
const AIMS: Readonly<Record<Aim, (played: Played) => Finding[]>> = {
  ways,
  stamina,
  changeTimes,
  held,
  subtone,
  subtoneRun,
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

/** A whole breath is held for this long at least, or for this share of what the player holds as a rule, seconds. */
const WHOLE_BREATH = { s: 4, ofOwn: 0.6 } as const;

/**
 * How long the best of the tones held that last as long as they do, and what ended it. A tone that ended because the breath
 * did has no fault; one that lasted for less than a breath tells nothing of how long it holds.
 */
function held({ measures, about: { score, bounds } }: Played): Finding[] {
  const open = measures.flatMap((step, stepIndex) =>
    isSounded(step) && score.steps[stepIndex]!.openEnd ? [{ hold: step.hold, stepIndex }] : [],
  );
  const whole = open.flatMap(({ hold, stepIndex }) => {
    const beats = valueOf(hold.beats);
    return beats === undefined ? [] : [{ beats, fault: hold.fault, stepIndex }];
  });
  const short = open.find(({ hold }) => hold.beats.kind === 'absent' && hold.beats.reason === 'tooShort');
  if (whole.length === 0) return short ? [finding('tooShort', short.stepIndex, {}, 1)] : [];
  const { beats, fault, stepIndex } = whole.reduce((best, tone) => (tone.beats > best.beats ? tone : best));
  const seconds = beats * beatSeconds(score);
  const ownS = WHOLE_BREATH.ofOwn * (bounds?.held?.holdS ?? Infinity);
  const wantedS = Math.max(LEAST_HOLD_S, Math.min(WHOLE_BREATH.s, ownS));
  const until = {
    jump: 'heldUntilJump',
    dropOut: 'heldUntilGap',
    pitch: 'heldUntilPitch',
    ended: 'held',
    none: 'held',
  };
  const id = until[fault] as 'held' | 'heldUntilJump' | 'heldUntilGap' | 'heldUntilPitch';
  if (id === 'held' && seconds < wantedS)
    return [finding('heldShort', stepIndex, { seconds, wantedS }, wantedS / seconds)];
  return [finding(id, stepIndex, { beats, seconds }, 1)];
}

/** Whether a vibrato came as it was asked for, and went where none was. */
function vibrato(played: Played): Finding[] {
  const { score } = played.about;
  if (!score.steps.some((step) => step.vibrato)) return [];
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
