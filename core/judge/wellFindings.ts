import type { Score } from '@inner-hum/core/exercise';
import { median, valueOf, type StepMeasures } from '@inner-hum/core/measure';
import { finding, type Finding } from './finding';
import type { FindingId } from './findings.data';
import type { Sounded } from './rule';

/** Worth telling, but not what went well in this take. */
const BESIDE: readonly FindingId[] = ['steadierNow', 'pairsNearer', 'vibratoHeard'];

/** What went well: what the exercise is for where it has an aim of its own, else how steady or even it was. */
export function wellFindings(measures: readonly StepMeasures[], score: Score, told: readonly Finding[]): Finding[] {
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
export function vibratoFinding(measures: readonly StepMeasures[]): Finding[] {
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
/** From so many tones on, a swell is summed up rather than told tone by tone. */
const MANY_SWELLS = 3;

/** What went well where the pitch line is not the point. */
function specialFindings(
  sounded: readonly { readonly step: Sounded; readonly stepIndex: number }[],
  { steps }: Score,
): Finding[] {
  const found: Finding[] = [];
  const sought = sounded.filter(({ stepIndex }) => steps[stepIndex]?.foundAfterS !== undefined);
  const foundAfterS = ({ stepIndex }: (typeof sought)[number]) => steps[stepIndex]!.foundAfterS!;
  const [slowest] = [...sought].sort((one, other) => foundAfterS(other) - foundAfterS(one));
  if (slowest) {
    const values = { seconds: median(sought.map(foundAfterS)), longestS: foundAfterS(slowest) };
    found.push(finding('cleared', slowest.stepIndex, values));
  }
  const airs = sounded.flatMap(({ step }) => valueOf(step.startAirDb) ?? []);
  if (airs.length > 0) found.push(finding('airStarts', 0, { db: Math.min(...airs), mostDb: Math.max(...airs) }));
  const hums = sounded.filter(({ stepIndex }) => steps[stepIndex]?.hum);
  const hummed = hums.flatMap(({ step }) => valueOf(step.pitchCentreCents) ?? []);
  if (hummed.length > 0) found.push(finding('humRight', hums[0]!.stepIndex, { cents: median(hummed.map(Math.abs)) }));
  const bent = sounded.flatMap(({ step }) => (step.bend && valueOf(step.bend.depthCents)) ?? []);
  if (bent.length > 0) found.push(finding('bendDeep', 0, { cents: median(bent) }));
  const free = sounded.filter(({ stepIndex }) => steps[stepIndex]?.freePitch);
  if (free.length > 0) found.push(finding('rests', 0, { hz: free[0]!.step.targetHz }));
  return found;
}
