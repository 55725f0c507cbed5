import { beatSeconds, type ExerciseParameters, type Score, type Step } from '@inner-hum/core/exercise';
import { median, valueOf, type Demand, type StepMeasures } from '@inner-hum/core/measure';
import { partialSemitones } from '@inner-hum/core/theory';
import { demandsOf } from './familyDemands';
import { nextStep } from './nextStep';
import { acrossTakes, pastTake, type PastTake } from './acrossTakes';
import type { Sounded } from './rule';
import { applies, RULES } from './rules';
import { seriesFindings } from './seriesFindings';
import type { Decision, Finding, FindingId, Verdict } from './verdict';

/** Tries in a row that break before the judge proposes to leave it for today. */
const BREAKS_BEFORE_LEAVING = 3;
/** From so many tones on, the same finding on several is told once. */
const MANY_STEPS = 3;

/** What the judge is told of a take besides its measures. */
export interface TakeCase {
  readonly score: Score;
  readonly parameters: ExerciseParameters;
  readonly demand: Demand;
  /** decisions of the takes of the same exercise just before, latest last */
  readonly before: readonly Decision[];
  /** earlier takes on this horn, oldest first */
  readonly past?: readonly PastTake[];
  /** when this take was played and on which reed; needed to look back */
  readonly now?: Pick<PastTake, 'startedAtMs' | 'day' | 'reed'>;
  /** whether the colour should stay one from soft to loud */
  readonly evenColour?: boolean;
}

/** Verdict on a take: what happened with evidence, what to try, and what comes next. */
export function judgeTake(measures: readonly StepMeasures[], about: TakeCase): Verdict {
  const { without } = demandsOf(about.parameters.family);
  const found = toneFindings(measures, about).filter((one) => !without.includes(one.id));
  const explained = found.filter((one) => !isExplained(one, found, measures));
  const findings = [...together(explained, about.score), ...seriesFindings(measures, about.score)];
  if (about.now && about.past)
    findings.push(...acrossTakes(pastTake({ ...about.now, ...about, measures }), about.past));
  findings.sort((a, b) => b.weight - a.weight);
  const tries = findings.flatMap((one) => TRIES[one.id] ?? RULES.find((rule) => rule.id === one.id)?.tries ?? []);
  if (findings.every((one) => one.weight < 2)) findings.unshift(...wellFindings(measures, about.score));
  const decision = decide(findings, about.before);
  return {
    findings,
    tries: [...new Set(tries)].slice(0, 2),
    decision,
    next: nextStep(decision, findings, about.parameters),
  };
}

/** What to try for findings that no rule of a tone makes. */
const TRIES: Partial<Record<FindingId, Verdict['tries']>> = {
  nothingHeard: ['checkMicrophone'],
  tongueFails: ['softerTongue'],
  airFails: ['letItSpeak'],
  bothFail: ['haveItChecked'],
  laterWorse: ['restLonger'],
  slopeHere: ['anotherNote'],
  leakLikely: ['haveItChecked'],
  tiring: ['restLonger'],
  unevenTime: ['countTheChange'],
};

/** A tone that goes on for so long where the next should be has not changed, seconds. */
const WENT_ON_S = 0.25;

/** The partial that stayed when a slurred overtone never came because the tone before it went on. */
function stayedOn(stepIndex: number, measures: readonly StepMeasures[], { steps }: Score): number | undefined {
  const step = steps[stepIndex];
  const [earlier, before] = [steps[stepIndex - 1], measures[stepIndex - 1]];
  if (step?.attack !== 'slurred' || step.partialNumber === 1 || before?.kind !== 'sounded' || !earlier)
    return undefined;
  if (before.endS - before.plannedEndS < WENT_ON_S) return undefined;
  const above = earlier.soundedMidi - step.fingeredMidi;
  const partial = Math.max(1, Math.round(2 ** (above / 12)));
  return partialSemitones(partial) === above && partial !== step.partialNumber ? partial : undefined;
}

function toneFindings(measures: readonly StepMeasures[], about: TakeCase): Finding[] {
  const { steps, partialTuning } = about.score;
  const common = {
    demand: about.demand,
    beatS: beatSeconds(about.score),
    evenColour: about.evenColour ?? false,
    freeTuning: partialTuning === 'free',
    tempered: partialTuning === 'tempered',
  };
  const found: Finding[] = [];
  const played = measures.findLastIndex((step) => step.kind === 'sounded') + 1;
  for (const weight of [3, 2, 1] as const)
    measures.forEach((step, stepIndex) => {
      if (step.kind === 'silent') {
        const partial = stayedOn(stepIndex, measures, about.score);
        if (partial !== undefined) {
          const values = { partial, wanted: steps[stepIndex]!.partialNumber };
          if (weight === 3) found.push({ id: 'wrongPartial', weight, stepIndex, values });
          return;
        }
        if (weight === 3 && (played === 0 || stepIndex < played))
          found.push({ id: 'nothingHeard', weight, stepIndex, values: {} });
        if (weight === 1 && played > 0 && stepIndex === played)
          found.push({ id: 'stoppedAfter', weight, stepIndex, values: { played, total: measures.length } });
        return;
      }
      const asked = steps[stepIndex];
      const context = { ...common, step: asked, changesOver: changesOver(asked, steps[stepIndex - 1]) };
      for (const rule of RULES) {
        if (rule.weight !== weight || !applies(rule.id, asked)) continue;
        const values = rule.when(step, context);
        if (values) found.push({ id: rule.id, weight, stepIndex, values });
      }
    });
  return found;
}

/** Whether a step is slurred to from another partial of its tube, or from the tone it should be like. */
function changesOver(step: Step | undefined, before: Step | undefined): boolean {
  if (step?.attack !== 'slurred' || !before) return false;
  const overtones = step.partialNumber > 1 || before.partialNumber > 1;
  return step.pair === true || (overtones && step.partialNumber !== before.partialNumber);
}

/** A break at the very beginning of a change is the change itself, told once. */
const CHANGE_REACH_S = 0.35;

/** A waver or drift that is the pitch following the loudness is told once, as that. */
function isExplained(one: Finding, found: readonly Finding[], measures: readonly StepMeasures[]): boolean {
  if (['jump', 'crack', 'squeak', 'slurGap', 'dropOut'].includes(one.id)) {
    const step = measures[one.stepIndex];
    const startS = step?.kind === 'sounded' ? step.onsetS : 0;
    const atChange = one.id === 'slurGap' || Math.abs((one.values['atS'] ?? Infinity) - startS) < CHANGE_REACH_S;
    return atChange && found.some((other) => other.id === 'slowChange' && other.stepIndex === one.stepIndex);
  }
  if (!['unsteady', 'rising', 'sinking'].includes(one.id)) return false;
  return found.some(
    (other) => other.stepIndex === one.stepIndex && (other.id === 'sharpWhenSoft' || other.id === 'flatWhenSoft'),
  );
}

/** In a long score the same finding on several tones becomes one, with the evidence of the plainest. */
function together(found: readonly Finding[], score: Score): Finding[] {
  if (score.steps.length <= MANY_STEPS) return [...found];
  const size = (one: Finding) => Object.values(one.values)[0] ?? 0;
  return [...new Set(found.map((one) => one.id))].map((id) => {
    const own = found.filter((one) => one.id === id);
    const plainest = own.reduce((best, one) => (size(one) > size(best) ? one : best));
    return { ...plainest, steps: own.length };
  });
}

function wellFindings(measures: readonly StepMeasures[], score: Score): Finding[] {
  const sounded = measures.flatMap((step, stepIndex) => (step.kind === 'sounded' ? [{ step, stepIndex }] : []));
  const special = specialFindings(sounded, score);
  if (special.length > 0) return special;
  const swells = score.steps.every((step) => step.dynamics.length > 1);
  if (!swells || score.steps.length > MANY_STEPS) {
    const shares = sounded.flatMap(({ step }) => valueOf(step.shareInWindow) ?? []);
    if (shares.length === 0) return [];
    const percent = (100 * shares.reduce((sum, one) => sum + one, 0)) / shares.length;
    return [{ id: 'steady', weight: 0, stepIndex: 0, values: { percent, tones: shares.length } }];
  }
  return sounded.flatMap(({ step, stepIndex }): Finding[] => {
    const share = valueOf(step.shareInWindow);
    const db = valueOf(step.rangeDb);
    if (share === undefined || db === undefined) return [];
    return [{ id: 'even', weight: 0, stepIndex, values: { percent: 100 * share, db } }];
  });
}

/** What went well where the pitch line is not the point. */
function specialFindings(
  sounded: readonly { readonly step: Sounded; readonly stepIndex: number }[],
  { steps }: Score,
): Finding[] {
  const found: Finding[] = [];
  const hums = sounded.filter(({ stepIndex }) => steps[stepIndex]?.hum);
  const hummed = hums.flatMap(({ step }) => valueOf(step.pitchCentreCents) ?? []);
  if (hummed.length > 0)
    found.push({
      id: 'humRight',
      weight: 0,
      stepIndex: hums[0]!.stepIndex,
      values: { cents: median(hummed.map(Math.abs)) },
    });
  const bent = sounded.flatMap(({ step }) => (step.bend && valueOf(step.bend.depthCents)) ?? []);
  if (bent.length > 0) found.push({ id: 'bendDeep', weight: 0, stepIndex: 0, values: { cents: median(bent) } });
  const free = sounded.filter(({ stepIndex }) => steps[stepIndex]?.freePitch);
  if (free.length > 0) found.push({ id: 'rests', weight: 0, stepIndex: 0, values: { hz: free[0]!.step.targetHz } });
  return found;
}

function decide(findings: readonly Finding[], before: readonly Decision[]): Decision {
  if (findings.some((one) => one.id === 'tiring')) return 'leave';
  const worst = Math.max(0, ...findings.map((one) => one.weight));
  if (worst === 3) {
    const recent = before.slice(-(BREAKS_BEFORE_LEAVING - 1));
    const keepsBreaking = recent.length === BREAKS_BEFORE_LEAVING - 1 && recent.every((one) => one === 'easier');
    return keepsBreaking ? 'leave' : onlyMissed(findings) ? 'again' : 'easier';
  }
  return worst === 2 ? 'again' : 'harder';
}

/** Nothing heard or another note says nothing about how hard the exercise is. */
function onlyMissed(findings: readonly Finding[]): boolean {
  return findings
    .filter((one) => one.weight === 3)
    .every((one) => one.id === 'nothingHeard' || one.id === 'otherNote' || one.id === 'hummedOther');
}
