import { valueOf, type StepMeasures } from '@inner-hum/core/measure';
import { deviceFindings } from './deviceFindings';
import { finding, type Finding } from './finding';
import type { Sounded } from './rule';
import type { TakeCase } from './takeCase';
import type { Verdict } from './verdict';

/** A note that leans less than this is in tune, cents. */
const LEAN_CENTS = 8;

/**
 * The account of free play: what the device did to it, what was held, the steadiest, and which note leaned most. Nothing was
 * asked, nothing is judged.
 */
export function freeVerdict(measures: readonly StepMeasures[], device?: TakeCase['device']): Verdict {
  const tones = measures.flatMap((step, stepIndex) => (step.kind === 'sounded' ? [{ step, stepIndex }] : []));
  const longest = extreme(tones, lastsS);
  if (!longest) return { findings: [], tries: [], decision: 'again', next: { change: 'none', parameters: {} } };
  const seconds = tones.reduce((sum, { step }) => sum + lastsS(step), 0);
  const held = finding('freeHeld', longest.stepIndex, { count: tones.length, seconds, longestS: longest.size });
  const steadiest = extreme(tones, ({ pitchSteadinessCents }) => minus(valueOf(pitchSteadinessCents)));
  const leaning = extreme(tones, ({ pitchCentreCents }) => size(valueOf(pitchCentreCents)));
  const findings: Finding[] = [...deviceFindings(device), held];
  if (steadiest && tones.length > 1)
    findings.push(finding('freeSteadiest', steadiest.stepIndex, { cents: -steadiest.size }));
  if (leaning && leaning.size >= LEAN_CENTS) {
    const sharp = valueOf(leaning.step.pitchCentreCents)! > 0;
    findings.push(finding(sharp ? 'freeSharp' : 'freeFlat', leaning.stepIndex, { cents: leaning.size }));
  }
  return { findings, tries: [], decision: 'again', next: { change: 'none', parameters: {} } };
}

const lastsS = ({ onsetS, endS }: Sounded) => endS - onsetS;
const minus = (value: number | undefined) => value && -value;
const size = (value: number | undefined) => value && Math.abs(value);

/** The tone in which a quantity is largest, among those that have it. */
function extreme<T extends { readonly step: Sounded }>(tones: readonly T[], of: (step: Sounded) => number | undefined) {
  return tones
    .flatMap((tone) => {
      const value = of(tone.step);
      return value === undefined ? [] : [{ ...tone, size: value }];
    })
    .reduce<(T & { readonly size: number }) | undefined>(
      (most, tone) => (most && most.size >= tone.size ? most : tone),
      undefined,
    );
}
