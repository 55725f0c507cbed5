import { beatSeconds, SWELL_LIMITS, type Score, type SwellParameters } from '@inner-hum/core/exercise';
import type { Demand, StepMeasures } from '@inner-hum/core/measure';
import { DYNAMICS } from '@inner-hum/core/theory';
import { SWELL_RULES } from './swellRules';
import type { Decision, Finding, FindingId, NextStep, Verdict } from './verdict';

/** Tries in a row that break before the judge proposes to leave it for today. */
const BREAKS_BEFORE_LEAVING = 3;
const TEMPO_STEP = 1.15;

/** What the judge is told of a swell besides its measures. */
export interface SwellCase {
  readonly score: Score;
  readonly parameters: SwellParameters;
  readonly demand: Demand;
  /** decisions of the takes of the same exercise just before, latest last */
  readonly before: readonly Decision[];
}

/** Verdict on a swell: what happened with evidence, what to try, and what comes next. */
export function judgeSwell(measures: readonly StepMeasures[], about: SwellCase): Verdict {
  const context = { demand: about.demand, beatS: beatSeconds(about.score) };
  const found: Finding[] = [];
  const played = measures.findLastIndex((step) => step.kind === 'sounded') + 1;
  for (const weight of [3, 2, 1] as const)
    measures.forEach((step, stepIndex) => {
      if (step.kind === 'silent') {
        if (weight === 3 && (played === 0 || stepIndex < played))
          found.push({ id: 'nothingHeard', weight, stepIndex, values: {} });
        if (weight === 1 && played > 0 && stepIndex === played)
          found.push({ id: 'stoppedAfter', weight, stepIndex, values: { played, total: measures.length } });
        return;
      }
      for (const rule of SWELL_RULES) {
        if (rule.weight !== weight) continue;
        const values = rule.when(step, context);
        if (!values) continue;
        found.push({ id: rule.id, weight, stepIndex, values });
      }
    });
  const findings = found.filter((one) => !isExplained(one, found));
  const tries = findings.flatMap((one) => SWELL_RULES.find((rule) => rule.id === one.id)?.tries ?? []);
  if (findings.some((one) => one.id === 'nothingHeard')) tries.unshift('checkMicrophone');
  if (findings.every((one) => one.weight < 2)) findings.unshift(...evenFindings(measures));
  const decision = decide(findings, about.before);
  return {
    findings,
    tries: [...new Set(tries)].slice(0, 2),
    decision,
    next: nextStep(decision, findings, about.parameters),
  };
}

/** A waver or drift that is the pitch following the loudness is told once, as that. */
function isExplained(one: Finding, found: readonly Finding[]): boolean {
  if (!['unsteady', 'rising', 'sinking'].includes(one.id)) return false;
  return found.some(
    (other) => other.stepIndex === one.stepIndex && (other.id === 'sharpWhenSoft' || other.id === 'flatWhenSoft'),
  );
}

function evenFindings(measures: readonly StepMeasures[]): Finding[] {
  return measures.flatMap((step, stepIndex): Finding[] => {
    if (step.kind !== 'sounded' || step.shareInWindow.kind !== 'measured' || step.rangeDb.kind !== 'measured')
      return [];
    const values = { percent: 100 * step.shareInWindow.value, db: step.rangeDb.value };
    return [{ id: 'even', weight: 0, stepIndex, values }];
  });
}

function decide(findings: readonly Finding[], before: readonly Decision[]): Decision {
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
  return findings.filter((one) => one.weight === 3).every((one) => one.id === 'nothingHeard' || one.id === 'otherNote');
}

function nextStep(decision: Decision, findings: readonly Finding[], now: SwellParameters): NextStep {
  const has = (id: FindingId) => findings.some((one) => one.id === id);
  if (decision === 'easier') {
    const faster = Math.min(SWELL_LIMITS.tempoBpm.max, Math.round(now.tempoBpm * TEMPO_STEP));
    if (has('stoppedEarly') && faster > now.tempoBpm)
      return { change: 'fasterTempo', parameters: { tempoBpm: faster } };
    const louder = DYNAMICS[DYNAMICS.indexOf(now.softest) + 1];
    if (louder && louder !== now.loudest) return { change: 'startLouder', parameters: { softest: louder } };
    if (faster > now.tempoBpm) return { change: 'fasterTempo', parameters: { tempoBpm: faster } };
  }
  if (decision === 'harder') {
    const softer = DYNAMICS[DYNAMICS.indexOf(now.softest) - 1];
    if (softer) return { change: 'softer', parameters: { softest: softer } };
    if (!now.tunerHidden) return { change: 'hideTuner', parameters: { tunerHidden: true } };
    const louder = DYNAMICS[DYNAMICS.indexOf(now.loudest) + 1];
    if (louder) return { change: 'wider', parameters: { loudest: louder } };
    const slower = Math.max(SWELL_LIMITS.tempoBpm.min, Math.round(now.tempoBpm / TEMPO_STEP));
    if (slower < now.tempoBpm) return { change: 'slower', parameters: { tempoBpm: slower } };
  }
  return { change: 'none', parameters: {} };
}
