import { beatSeconds, modelOf, type Score, type Step } from '@inner-hum/core/exercise';
import { familyById, isFree, topicsOf } from '@inner-hum/core/families';
import { median, valueOf, type StepMeasures } from '@inner-hum/core/measure';
import { naturalOffsetCents, partialSemitones } from '@inner-hum/core/theory';
import { acrossTakes, harderToday, isSecureNow, lean, presentTake } from './acrossTakes';
import { aimFindings, saidByAim } from './aims';
import { decide } from './decide';
import { byImportance, mattersMost } from './importance';
import { canBeTold, deviceFindings, hidesTask } from './deviceFindings';
import { finding, type Finding } from './finding';
import { rowOf, type FindingId } from './findings.data';
import { isLost, lostShare, tooMuchLost } from './lostFindings';
import { freeVerdict } from './freeVerdict';
import { nextStep } from './nextStep';
import { ALL_OF_IT, type RuleContext } from './rule';
import { applies, RULES } from './rules';
import type { TakeCase } from './takeCase';
import type { TryId } from './tries.data';
import type { Verdict } from './verdict';
import { isExplained, together } from './explained';
import { wellFindings, vibratoFinding } from './wellFindings';

/** Nothing is secure in a take of which a larger share was lost. */
const SURE_BUT_FOR = 0.02;

/** Verdict on a take: what happened with evidence, what to try, and what comes next. */
export function judgeTake(measures: readonly StepMeasures[], about: TakeCase): Verdict {
  if (isFree(about.score)) return freeVerdict(measures, about.device);
  const lost = tooMuchLost(about);
  if (lost) return lost;
  const told = (entry: Finding) => canBeTold(entry, about.device) && !isLost(entry, measures, about);
  const family = familyById(about.parameters.family);
  const { unjudged = [], aims = [] } = family.teaching;
  const task = topicsOf(family);
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
  const first = findings.filter((entry) => mattersMost(entry, task, measures));
  // What is told once still weighs as it was found.
  const decided = decide([...found, ...findings], about.before, task);
  const unsure = hidesTask(task, about.device) || lostShare(about) > SURE_BUT_FOR;
  const decision = decided === 'harder' && unsure ? 'again' : decided;
  const bounds = about.bounds ?? { goalNotes: [] };
  return {
    findings: [
      ...deviceFindings(about.device),
      ...first,
      ...well,
      ...findings.filter((entry) => !first.includes(entry)),
    ],
    tries: [...new Set(tries)].slice(0, 2),
    decision,
    next: nextStep(decision, findings, about.parameters, {
      ...bounds,
      harderToday: now !== undefined && harderToday(now, past),
      ...(now && { secure: isSecureNow(now, past) }),
    }),
  };
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
  // Where ways to start are tried, what fails is the start.
  const triesStarts = familyById(about.parameters.family).teaching.aims?.includes('ways') ?? false;
  const tubes = new Set(steps.flatMap((step) => (step.partialNumber > 1 ? [step.fingeredMidi] : [])));
  return measures.flatMap((step, stepIndex): Finding[] => {
    if (step.kind === 'silent') return silentFinding(stepIndex, played, measures, about.score);
    const asked = steps[stepIndex];
    const before = steps[stepIndex - 1];
    const model = asked?.pair && steps[modelOf(steps, stepIndex)];
    const pairOffsetCents = natural && model ? offsetOf(asked) - offsetOf(model) : 0;
    const tubeCents = natural && asked && asked.partialNumber > 1 ? tubeCentsOf(asked, steps, measures) : 0;
    const changes = changesOver(asked, before);
    const regular = !triesStarts && asked?.partialNumber === 1 && !tubes.has(asked.fingeredMidi);
    const context: RuleContext = { ...common, step: asked, changesOver: changes, pairOffsetCents, tubeCents, regular };
    return RULES.flatMap((row) => {
      const spoken = applies(row.id, asked) ? row.when(step, context) : undefined;
      return spoken ? [finding(row.id, stepIndex, spoken.values as never, spoken.severity)] : [];
    });
  });
}

/** Where the player's own tube lies in this take, by its first partial, cents; 0 where that was not played. */
function tubeCentsOf({ fingeredMidi }: Step, steps: readonly Step[], measures: readonly StepMeasures[]): number {
  const own = steps.flatMap((step, i) => {
    const tone = measures[i];
    if (step.fingeredMidi !== fingeredMidi || step.partialNumber > 1 || step.hum || tone?.kind !== 'sounded') return [];
    return valueOf(tone.pitchCentreCents) ?? [];
  });
  return own.length > 0 ? median(own) : 0;
}

/** How far the natural partial of a step lies from the tempered note, cents. */
function offsetOf({ partialNumber }: Step): number {
  return naturalOffsetCents(partialNumber);
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
