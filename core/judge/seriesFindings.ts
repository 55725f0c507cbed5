import { median, responseSeries, valueOf, type StepMeasures } from '@inner-hum/core/measure';
import type { Score } from '@inner-hum/core/exercise';
import type { Finding } from './verdict';

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

/** What only a row of tones shows: which way of starting fails, and whether the last are as good as the first. */
export function seriesFindings(measures: readonly StepMeasures[], score: Score): Finding[] {
  const played = measures.slice(0, measures.findLastIndex((step) => step.kind === 'sounded') + 1);
  const found: Finding[] = [];
  if (score.family === 'tongueOrAir') found.push(...startFindings(played, score));
  if (score.family === 'countedBreaths') found.push(...staminaFindings(played));
  if (score.steps.some((step) => step.pair)) found.push(...pairFindings(played));
  if (score.family === 'quickAlternation') found.push(...timeFindings(played, 60 / score.tempoBpm));
  if (score.family === 'hold') found.push(...holdFindings(played, 60 / score.tempoBpm));
  return found;
}

function startFindings(measures: readonly StepMeasures[], score: Score): Finding[] {
  const failing = (attack: 'tongue' | 'breath') => {
    const own = measures.filter((_, i) => score.steps[i]!.attack === attack);
    return own.length ? 1 - responseSeries(own).spokeShare : 0;
  };
  const tongue = failing('tongue');
  const air = failing('breath');
  const values = { tonguePercent: 100 * tongue, airPercent: 100 * air };
  if (tongue >= FAILS && air >= FAILS) return [{ id: 'bothFail', weight: 2, stepIndex: 0, values }];
  if (tongue >= FAILS && air <= SPEAKS) return [{ id: 'tongueFails', weight: 2, stepIndex: 0, values }];
  if (air >= FAILS && tongue <= SPEAKS) return [{ id: 'airFails', weight: 2, stepIndex: 0, values }];
  return [];
}

function staminaFindings(measures: readonly StepMeasures[]): Finding[] {
  const third = Math.floor(measures.length / 3);
  if (third === 0) return [];
  const first = measures.slice(0, third);
  const last = measures.slice(-third);
  const share = (steps: readonly StepMeasures[]) =>
    mean(steps.map((step) => (step.kind === 'sounded' ? (valueOf(step.shareInWindow) ?? 0) : 0)));
  const response = (steps: readonly StepMeasures[]) => responseSeries(steps).medianResponseS ?? 0;
  const percent = 100 * (share(first) - share(last));
  const later = response(last) - response(first);
  if (percent < 100 * WORSE_SHARE && later < WORSE_RESPONSE_S) return [];
  const stepIndex = measures.length - 1;
  return [
    {
      id: 'laterWorse',
      weight: 2,
      stepIndex,
      values: { percent: Math.max(0, percent), ms: Math.max(0, 1000 * later) },
    },
  ];
}

/** Changes whose moments wander against the count. */
function timeFindings(measures: readonly StepMeasures[], beatS: number): Finding[] {
  const offS = measures.flatMap((step) =>
    step.kind === 'sounded' && step.pair ? (valueOf(step.pair.changeS) ?? []) : [],
  );
  if (offS.length < LEAST_CHANGES) return [];
  const centreS = median(offS);
  const spreadS = Math.sqrt(offS.reduce((sum, one) => sum + (one - centreS) ** 2, 0) / offS.length);
  if (spreadS < UNEVEN_BEATS * beatS) return [];
  return [{ id: 'unevenTime', weight: 2, stepIndex: 0, values: { ms: 1000 * spreadS, count: offS.length } }];
}

/** Pairs that come nearer to each other over the tries. */
function pairFindings(measures: readonly StepMeasures[]): Finding[] {
  const apart = measures.flatMap((step, stepIndex) => {
    const db = step.kind === 'sounded' && step.pair ? valueOf(step.pair.spectralDistanceDb) : undefined;
    return db === undefined ? [] : [{ db, stepIndex }];
  });
  const first = apart[0];
  const last = apart.at(-1);
  if (!first || !last || first.db - last.db < NEARER_DB) return [];
  return [{ id: 'pairsNearer', weight: 0, stepIndex: last.stepIndex, values: { fromDb: first.db, db: last.db } }];
}

function holdFindings(measures: readonly StepMeasures[], beatS: number): Finding[] {
  const beats = measures.map((step) => (step.kind === 'sounded' ? (valueOf(step.hold.beats) ?? 0) : 0));
  const best = Math.max(0, ...beats);
  if (best === 0) return [];
  return [{ id: 'held', weight: 0, stepIndex: beats.indexOf(best), values: { beats: best, seconds: best * beatS } }];
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, one) => sum + one, 0) / values.length;
}
