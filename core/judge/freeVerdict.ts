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
  findings.push(...lowDrops(tones), ...overtones(tones));
  return { findings, tries: [], decision: 'again', next: { change: 'none', parameters: {} } };
}

type Tones = readonly { readonly step: Sounded; readonly stepIndex: number }[];

/** How low notes came straight out of others: the one that broke, or that took longest. */
function lowDrops(tones: Tones): Finding[] {
  const drops = tones.flatMap(({ step: { drop }, stepIndex }) => (drop ? [{ ...drop, stepIndex }] : []));
  const broke = drops.filter(({ brokeToSoundingMidi }) => brokeToSoundingMidi !== undefined);
  const [worst] = (broke.length > 0 ? broke : drops).sort((a, b) => b.lateS - a.lateS);
  if (!worst) return [];
  const { stepIndex, fromSoundingMidi, lateS, brokeToSoundingMidi: soundingMidi } = worst;
  const values = { fromSoundingMidi, ms: 1000 * lateS };
  return soundingMidi === undefined
    ? [finding('freeDrop', stepIndex, values)]
    : [finding('freeDropBroke', stepIndex, { ...values, soundingMidi })];
}

/** The longest tones that came out of another tube than their own, each note and partial once. */
function overtones(tones: Tones): Finding[] {
  const found = new Map<string, { readonly stepIndex: number; readonly partial: number; readonly sure: boolean }>();
  for (const { step, stepIndex } of [...tones].sort((a, b) => lastsS(b.step) - lastsS(a.step))) {
    if (step.tube?.kind !== 'partial') continue;
    const { partial, sure } = step.tube;
    const key = `${Math.round(12 * Math.log2(step.targetHz))} ${partial}`;
    if (!found.has(key)) found.set(key, { stepIndex, partial, sure });
  }
  return [...found.values()]
    .slice(0, MOST_OVERTONES)
    .map(({ stepIndex, partial, sure }) => finding('freeOvertone', stepIndex, { partial, sure: Number(sure) }));
}
/** More of them are a list. */
const MOST_OVERTONES = 3;

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
