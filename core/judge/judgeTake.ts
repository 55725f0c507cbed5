import { beatSeconds, type Score, type Step } from '@inner-hum/core/exercise';
import { familyById, isFree, topicsOf, type Family, type Topic } from '@inner-hum/core/families';
import { median, valueOf, type StepMeasures } from '@inner-hum/core/measure';
import { naturalOffsetCents, partialSemitones } from '@inner-hum/core/theory';
import { acrossTakes, harderToday, isSecureNow, lean, presentTake } from './acrossTakes';
import { aimFindings, saidByAim } from './aims';
import { canBeTold, deviceFindings, hidesTask } from './deviceFindings';
import { finding, type Finding } from './finding';
import { rowOf, type FindingId } from './findings.data';
import { isLost, lostShare, tooMuchLost } from './lostFindings';
import { freeVerdict } from './freeVerdict';
import { nextStep } from './nextStep';
import { ALL_OF_IT, type RuleContext, type Sounded } from './rule';
import { applies, RULES } from './rules';
import type { TakeCase } from './takeCase';
import type { TryId } from './tries.data';
import type { Decision, Verdict } from './verdict';

/** Tries in a row that break before the judge proposes to leave it for today. */
const BREAKS_BEFORE_LEAVING = 3;
/** From so many tones on, the same finding is told once. */
const SEVERAL_TONES = 2;
/** Nothing is secure in a take of which a larger share was lost. */
const SURE_BUT_FOR = 0.02;
/** From so many tones on, a swell is summed up rather than told tone by tone. */
const MANY_SWELLS = 3;

/** Verdict on a take: what happened with evidence, what to try, and what comes next. */
export function judgeTake(measures: readonly StepMeasures[], about: TakeCase): Verdict {
  if (isFree(about.score)) return freeVerdict(measures, about.device);
  const lost = tooMuchLost(about);
  if (lost) return lost;
  const told = (entry: Finding) => canBeTold(entry, about.device) && !isLost(entry, measures, about);
  const family = familyById(about.parameters.family);
  const { unjudged = [], aims = [] } = family.teaching;
  const found = toneFindings(measures, about).filter((toneFinding) => {
    const aspect = rowOf(toneFinding.id).aspect;
    return (aspect === undefined || !unjudged.includes(aspect)) && told(toneFinding);
  });
  const untold = found.filter((entry) => !isExplained(entry, found, measures));
  const now = about.now && presentTake({ ...about.now, ...about, measures });
  const past = about.past ?? [];
  const ofAims = aimFindings(measures, about, aims).filter(told);
  const ofTones = untold.filter((entry) => !saidByAim(entry.id, ofAims));
  const findings = [
    ...together(ofTones, about.score),
    ...ofAims,
    ...(aims.includes('vibrato') ? [] : vibratoFinding(measures)),
    ...(now ? acrossTakes(now, past) : []),
  ]
    .filter(told)
    .sort(byImportance(family));
  const leaning = now ? lean(now, past) : 0;
  const tries = findings.flatMap((entry) => triesFor(entry.id, leaning));
  const well = [...found, ...findings].every((entry) => entry.weight < 2)
    ? wellFindings(measures, about.score, findings).filter(told)
    : [];
  // What is told once still weighs as it was found.
  const task = topicsOf(family);
  const decided = decide([...found, ...findings], about.before, task);
  const unsure = hidesTask(task, about.device) || lostShare(about) > SURE_BUT_FOR;
  const decision = decided === 'harder' && unsure ? 'again' : decided;
  const bounds = about.bounds ?? { goalNotes: [] };
  return {
    findings: [...deviceFindings(about.device), ...well, ...findings],
    tries: [...new Set(tries)].slice(0, 2),
    decision,
    next: nextStep(decision, findings, about.parameters, {
      ...bounds,
      harderToday: now !== undefined && harderToday(now, past),
      ...(now && { secure: isSecureNow(now, past) }),
    }),
  };
}

/** What a finding weighs in the order of telling beside how far it is over its limit. */
const MOST_SEVERE = 10;
const OF_THE_TASK = 2;
const OF_THE_DEMAND = 1.5;

/** What broke first, then what is farthest over its limit, what the exercise is for counting double. */
function byImportance(family: Family): (a: Finding, b: Finding) => number {
  const topics: readonly Topic[] = topicsOf(family);
  const importance = ({ id, weight, severity = 1 }: Finding) => {
    if (weight === 0) return 0;
    const topic = rowOf(id).topic;
    const ofTask = topic === undefined || topics.includes(topic) ? OF_THE_TASK : 1;
    const size = Math.min(MOST_SEVERE, severity) * ofTask * (weight >= 2 ? OF_THE_DEMAND : 1);
    return weight === 3 ? 100 + size : size;
  };
  return (a, b) => importance(b) - importance(a);
}

/** What to try: the mouthpiece is moved only when most notes lean that way. */
function triesFor(id: FindingId, leaning: -1 | 0 | 1): readonly TryId[] {
  if ((id === 'sharp' && leaning === 1) || (id === 'flat' && leaning === -1)) return ['tuneFirst'];
  return rowOf(id).tries ?? [];
}

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
    ruler: about.ruler?.origin ?? 'assumed',
  };
  const natural = partialTuning === 'natural';
  const played = measures.findLastIndex((step) => step.kind === 'sounded') + 1;
  return measures.flatMap((step, stepIndex): Finding[] => {
    if (step.kind === 'silent') return silentFinding(stepIndex, played, measures, about.score);
    const asked = steps[stepIndex];
    const before = steps[stepIndex - 1];
    const pairOffsetCents = natural ? offsetOf(asked) - offsetOf(before) : 0;
    const context: RuleContext = { ...common, step: asked, changesOver: changesOver(asked, before), pairOffsetCents };
    return RULES.flatMap((row) => {
      const spoken = applies(row.id, asked) ? row.when(step, context) : undefined;
      return spoken ? [finding(row.id, stepIndex, spoken.values as never, spoken.severity)] : [];
    });
  });
}

/** How far the natural partial of a step lies from the tempered note, cents. */
function offsetOf(step: Step | undefined): number {
  return step ? naturalOffsetCents(step.partialNumber) : 0;
}

/** What a step without a tone says. */
function silentFinding(stepIndex: number, played: number, measures: readonly StepMeasures[], score: Score): Finding[] {
  const partial = stayedOn(stepIndex, measures, score);
  if (partial !== undefined) {
    const wanted = score.steps[stepIndex]!.partialNumber;
    return [finding('wrongPartial', stepIndex, { partial, wanted }, ALL_OF_IT)];
  }
  if (played === 0 || stepIndex < played) return [finding('nothingHeard', stepIndex, {}, ALL_OF_IT)];
  return stepIndex === played ? [finding('stoppedAfter', stepIndex, { played, total: measures.length }, 1)] : [];
}

/** Whether a step is slurred to from another partial of its tube, or from the tone it should be like. */
function changesOver(step: Step | undefined, before: Step | undefined): boolean {
  if (step?.attack !== 'slurred' || !before) return false;
  const overtones = step.partialNumber > 1 || before.partialNumber > 1;
  return step.pair === true || (overtones && step.partialNumber !== before.partialNumber);
}

/** A break at the very beginning of a change is the change itself, told once. */
const CHANGE_REACH_S = 0.35;

/** Whether another finding on the same tone says the same already. */
function isExplained(entry: Finding, found: readonly Finding[], measures: readonly StepMeasures[]): boolean {
  return found.some((other) => {
    if (other.stepIndex !== entry.stepIndex || other.id === entry.id) return false;
    if (explains(other, entry) && !(explains(entry, other) && sizeOf(entry) >= sizeOf(other))) return true;
    return other.id === 'slowChange' && 'atS' in entry.values && atChange(entry.values.atS, measures[entry.stepIndex]);
  });
}

/** What is much farther over its own limit than what would explain it is told as well. */
const FAR_WORSE = 2;

function explains(entry: Finding, other: Finding): boolean {
  if (!rowOf(entry.id).explains?.includes(other.id)) return false;
  return entry.weight === 3 || sizeOf(other) <= FAR_WORSE * sizeOf(entry);
}

const sizeOf = ({ severity = 1 }: Finding) => severity;

function atChange(atS: number, step: StepMeasures | undefined): boolean {
  return Math.abs(atS - (step?.kind === 'sounded' ? step.onsetS : 0)) < CHANGE_REACH_S;
}

/** The same finding on several tones becomes one, with the evidence of the worst by its own measure. */
function together(found: readonly Finding[], score: Score): Finding[] {
  if (score.steps.length < SEVERAL_TONES) return [...found];
  return [...new Set(found.map((entry) => entry.id))].map((id) => {
    const same = found.filter((entry) => entry.id === id);
    const worst = same.reduce((most, next) => ((next.severity ?? 0) > (most.severity ?? 0) ? next : most));
    return { ...worst, steps: same.length };
  });
}

/** Worth telling, but not what went well in this take. */
const BESIDE: readonly FindingId[] = ['steadierNow', 'pairsNearer', 'vibratoHeard'];

/** What went well: what the exercise is for where it has an aim of its own, else how steady or even it was. */
function wellFindings(measures: readonly StepMeasures[], score: Score, told: readonly Finding[]): Finding[] {
  if (told.some((entry) => entry.weight === 0 && !BESIDE.includes(entry.id))) return [];
  const sounded = measures.flatMap((step, stepIndex) => (step.kind === 'sounded' ? [{ step, stepIndex }] : []));
  const special = specialFindings(sounded, score);
  if (special.length > 0) return special;
  const swells = score.steps.every((step) => step.dynamics.length > 1);
  if (!swells || score.steps.length > MANY_SWELLS) {
    const shares = sounded.flatMap(({ step }) => valueOf(step.shareInWindow) ?? []);
    if (shares.length === 0) return [];
    const percent = (100 * shares.reduce((sum, share) => sum + share, 0)) / shares.length;
    return [finding('steady', 0, { percent, tones: shares.length })];
  }
  return sounded.flatMap(({ step, stepIndex }): Finding[] => {
    const share = valueOf(step.shareInWindow);
    const db = valueOf(step.rangeDb);
    return share === undefined || db === undefined ? [] : [finding('even', stepIndex, { percent: 100 * share, db })];
  });
}

/** A vibrato that most tones have: how fast, how wide, how regular. Whether it was asked for the player knows. */
function vibratoFinding(measures: readonly StepMeasures[]): Finding[] {
  const sounded = measures.filter((step) => step.kind === 'sounded');
  const waves = sounded.flatMap(({ vibratoHz, vibratoCents, vibratoRegularity }) => {
    const [hz, cents, regular] = [valueOf(vibratoHz), valueOf(vibratoCents), valueOf(vibratoRegularity)];
    return hz === undefined || cents === undefined || regular === undefined ? [] : [{ hz, cents, regular }];
  });
  if (waves.length === 0 || waves.length < sounded.length / 2) return [];
  const middle = (of: (wave: (typeof waves)[number]) => number) => median(waves.map(of));
  const values = {
    hz: middle((wave) => wave.hz),
    cents: middle((wave) => wave.cents),
    percent: 100 * middle((wave) => wave.regular),
  };
  return [finding('vibratoHeard', 0, values)];
}

/** What went well where the pitch line is not the point. */
function specialFindings(
  sounded: readonly { readonly step: Sounded; readonly stepIndex: number }[],
  { steps }: Score,
): Finding[] {
  const found: Finding[] = [];
  const hums = sounded.filter(({ stepIndex }) => steps[stepIndex]?.hum);
  const hummed = hums.flatMap(({ step }) => valueOf(step.pitchCentreCents) ?? []);
  if (hummed.length > 0) found.push(finding('humRight', hums[0]!.stepIndex, { cents: median(hummed.map(Math.abs)) }));
  const bent = sounded.flatMap(({ step }) => (step.bend && valueOf(step.bend.depthCents)) ?? []);
  if (bent.length > 0) found.push(finding('bendDeep', 0, { cents: median(bent) }));
  const free = sounded.filter(({ stepIndex }) => steps[stepIndex]?.freePitch);
  if (free.length > 0) found.push(finding('rests', 0, { hz: free[0]!.step.targetHz }));
  return found;
}

/** What is this far over its limit is not secure yet, whatever the exercise is for. */
const FAR_OVER = 1.5;

function decide(findings: readonly Finding[], before: readonly Decision[], task: readonly Topic[]): Decision {
  if (findings.some((entry) => entry.id === 'tiring')) return 'leave';
  const worst = Math.max(0, ...findings.map((entry) => entry.weight));
  if (worst === 3) {
    const recent = before.slice(-(BREAKS_BEFORE_LEAVING - 1));
    const keepsBreaking =
      recent.length === BREAKS_BEFORE_LEAVING - 1 && recent.every((decision) => decision === 'easier');
    return keepsBreaking ? 'leave' : onlyMissed(findings) ? 'again' : 'easier';
  }
  const isSecure = ({ id, weight, severity = 1 }: Finding) => {
    const topic = rowOf(id).topic;
    const ofTask = topic !== undefined && task.includes(topic);
    return weight === 0 || (weight === 1 && id !== 'stoppedAfter' && !ofTask && severity < FAR_OVER);
  };
  return findings.every(isSecure) ? 'harder' : 'again';
}

/** Nothing heard or another note says nothing about how hard the exercise is. */
function onlyMissed(findings: readonly Finding[]): boolean {
  return findings
    .filter((entry) => entry.weight === 3)
    .every((entry) => entry.id === 'nothingHeard' || entry.id === 'otherNote' || entry.id === 'hummedOther');
}
