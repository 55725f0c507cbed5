import { beatSeconds, isOpenEnded, scoreBeats } from '@inner-hum/core/exercise';
import {
  limitOf,
  lostBetween,
  lostSeconds,
  MOST_LOST_SHARE,
  type LostSound,
  type StepMeasures,
} from '@inner-hum/core/measure';
import { finding, type Finding } from './finding';
import { rowOf } from './findings.data';
import { EARLY_END } from './toneRuleParts';
import type { TakeCase } from './takeCase';
import type { Verdict } from './verdict';

/** Less than this is told of beside the verdict, not in it, seconds. */
const WORTH_TELLING_S = 0.02;
/** What a hole in the sound looks like lies within so much of it, seconds. */
const NEAR_S = 0.25;

type Sounded = Extract<StepMeasures, { kind: 'sounded' }>;

/**
 * The share of a take that the device lost, 0–1: of its planned length, or, where the player ends it, of what was heard.
 *
 * @param heardS how long it was heard from its first beat on, seconds
 */
export function lostShare({ score, device }: Pick<TakeCase, 'score' | 'device'>, heardS = Infinity): number {
  const plannedS = scoreBeats(score) * beatSeconds(score);
  return lostSeconds(device?.lost ?? []) / (isOpenEnded(score) ? Math.min(plannedS, heardS) : plannedS);
}

/** The verdict of a take of which the device lost too much: nothing of it is judged. */
export function tooMuchLost(about: Pick<TakeCase, 'score' | 'device'>, heardS?: number): Verdict | undefined {
  const share = lostShare(about, heardS);
  if (share < MOST_LOST_SHARE) return undefined;
  const values = { seconds: lostSeconds(about.device?.lost ?? []), percent: 100 * Math.min(1, share) };
  return {
    findings: [finding('tooMuchLost', 0, values)],
    tries: rowOf('tooMuchLost').tries ?? [],
    decision: 'again',
    next: { change: 'none', parameters: {} },
  };
}

/** What is told of sound that was lost. */
export function lostFinding(device: TakeCase['device']): readonly Finding[] {
  const seconds = lostSeconds(device?.lost ?? []);
  return seconds < WORTH_TELLING_S ? [] : [finding('soundLost', 0, { ms: 1000 * seconds })];
}

/** Whether lost sound explains a finding, so that it is not told of the player. */
export function isLost(entry: Finding, measures: readonly StepMeasures[], about: TakeCase): boolean {
  const lost = about.device?.lost ?? [];
  if (lost.length === 0) return false;
  const by = rowOf(entry.id).lost;
  if (by === 'times') return true;
  if (by === 'hole' && 'atS' in entry.values)
    return lostBetween(lost, entry.values.atS, entry.values.atS, NEAR_S).length > 0;
  const tone = measures[entry.stepIndex];
  if (tone?.kind !== 'sounded') return by === 'tone';
  if (by === 'tone') return around(lost, tone).length > 0;
  return explainsTime(entry, tone, lost, about);
}

const around = (lost: readonly LostSound[], { onsetS, endS, plannedStartS, plannedEndS }: Sounded) =>
  lostBetween(lost, Math.min(onsetS, plannedStartS), Math.max(endS, plannedEndS), NEAR_S);

/** Whether a time is within its limit once what was lost before it is given back. */
function explainsTime(entry: Finding, tone: Sounded, lost: readonly LostSound[], about: TakeCase): boolean {
  const beatS = beatSeconds(about.score);
  if (entry.id === 'stoppedEarly')
    return (
      entry.values.beats * beatS - lostSeconds(around(lost, tone)) <= Math.max(EARLY_END.s, EARLY_END.beats * beatS)
    );
  if (entry.id !== 'late' && entry.id !== 'early' && entry.id !== 'changeLate' && entry.id !== 'changeEarly')
    return false;
  const before = lostSeconds(lostBetween(lost, -Infinity, tone.onsetS, NEAR_S));
  return entry.values.ms / 1000 - before <= limitOf('latenessS', about.demand);
}
