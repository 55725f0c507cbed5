import { familyById } from '@inner-hum/core/families';
import { rowOf, type Finding, type Verdict } from '@inner-hum/core/judge';
import type { TakeRecord } from '@inner-hum/core/take';
import { LEAST_HOLD_S } from '@inner-hum/core/measure';
import { hzToMidi, instrumentById, partialSemitones, writtenMidi } from '@inner-hum/core/theory';
import type { TFunction } from 'i18next';
import { formatNumber } from './format';
import { tableText } from './tableText';

/** Decimals of the numbers in sentences, by their name; others are whole. */
const DECIMALS: Record<string, number> = {
  beats: 1,
  seconds: 1,
  partials: 1,
  db: 0,
  plannedDb: 0,
  mostDb: 0,
  waves: 1,
  longestS: 1,
  wantedS: 1,
  khz: 1,
};

/** A hold that broke is played again so much shorter than where it broke, seconds, where that is still a hold. */
const WHOLE_S = 0.5;
const HELD_UNTIL: ReadonlySet<string> = new Set(['heldUntilPitch', 'heldUntilJump', 'heldUntilGap']);

/** A tone that is looked for no longer than this is clear at once, seconds. */
const AT_ONCE_S = 0.5;

/** A low note that comes within this straight out of another spoke at once, seconds. */
const AT_ONCE_DROP_S = 0.1;

/** The sentence of a finding with its evidence, rounded to what can be known. */
export function findingText(
  t: TFunction,
  finding: Finding,
  take: TakeRecord,
  nameOf: (midi: number) => string,
): string {
  const values: Readonly<Record<string, number>> = finding.values;
  const step = take.score.steps[finding.stepIndex];
  const words: Record<string, string | number> = {};
  const [first = ''] = rowOf(finding.id).values;
  for (const [name, value] of Object.entries(values)) {
    const decimals = DECIMALS[name === 'uncertainty' ? first : name] ?? 0;
    const rounded = name === 'uncertainty' ? Math.max(value, 10 ** -decimals) : value;
    words[name] = formatNumber(rounded, decimals);
  }
  if (step) words['note'] = nameOf(step.soundedMidi);
  if (HELD_UNTIL.has(finding.id)) words['stopS'] = stopS(finding);
  if (finding.id === 'rests') words['note'] = nameOf(Math.round(hzToMidi(finding.values.hz, take.setup.a4Hz)));
  const written = (soundingMidi: number) => nameOf(writtenMidi(instrumentById(take.setup.instrumentId), soundingMidi));
  if ('soundingMidi' in finding.values) words['heard'] = written(finding.values.soundingMidi);
  if ('fromSoundingMidi' in finding.values) words['upper'] = written(finding.values.fromSoundingMidi);
  if (finding.id === 'otherNote' || finding.id === 'hummedOther')
    words['wanted'] = nameOf(take.score.steps[finding.stepIndex]!.soundedMidi);
  if (finding.id === 'freeOvertone' && step)
    words['fingered'] = nameOf(step.soundedMidi - partialSemitones(finding.values.partial));
  const { partial } = values;
  if (partial !== undefined && step) {
    const note = nameOf(step.fingeredMidi + partialSemitones(partial));
    const interval = INTERVALS[partial];
    const named = interval && step.partialNumber === 1 && finding.id !== 'wrongPartial';
    words['heard'] = named ? t(`verdict.interval.${interval}`, { note }) : note;
  }
  const sentence = String(
    t(`verdict.findings.${finding.id}`, {
      ...words,
      ...(values['count'] && { count: values['count'] }),
      ...formOf(finding, words, step),
    }),
  );
  if (take.score.steps.length === 1 || !step || rowOf(finding.id).about !== undefined) return sentence;
  const which = t('verdict.toneOf', { number: finding.stepIndex + 1, note: nameOf(step.soundedMidi) });
  const more = (finding.steps ?? 1) - 1;
  return `${which}${sentence}${more > 0 ? ` ${t('verdict.moreTones', { count: more })}` : ''}`;
}

/** Where a hold that broke is to be ended next time, seconds. */
const stopS = ({ values }: Finding) => ('seconds' in values ? Math.floor(values.seconds - WHOLE_S) : 0);

/** Partials that have a name as intervals above a regular note. */
const INTERVALS: Readonly<Record<number, 'octave' | 'twelfth'>> = { 2: 'octave', 3: 'twelfth' };

/** Which form of a sentence fits its numbers: nothing is told as “0”. */
function formOf(
  finding: Finding,
  words: Readonly<Record<string, string | number>>,
  step: TakeRecord['score']['steps'][number] | undefined,
): { context?: string } {
  // Partials are for overtones: a regular note has an octave.
  if (finding.id === 'freeOvertone') return finding.values.sure > 0 ? {} : { context: 'maybe' };
  if (finding.id === 'freeDrop') return finding.values.ms < 1000 * AT_ONCE_DROP_S ? { context: 'atOnce' } : {};
  if (finding.id === 'airStarts' && words['db'] !== words['mostDb']) return { context: 'range' };
  if ('partial' in finding.values && step?.partialNumber === 1)
    return { context: finding.values.partial > 1 ? 'regular' : 'away' };
  if (HELD_UNTIL.has(finding.id) && Number(words['stopS']) < LEAST_HOLD_S) return { context: 'short' };
  if (finding.id === 'laterWorse' && words['ms'] === '0') return { context: 'inTune' };
  if (finding.id === 'laterWorse' && words['percent'] === '0') return { context: 'toSpeak' };
  if (finding.id === 'cleared' && finding.values.longestS < AT_ONCE_S) return { context: 'atOnce' };
  if (finding.id === 'firstTraceAt' && finding.values.db < 0.5) return { context: 'softest' };
  return words['percent'] === '100' ? { context: 'full' } : {};
}

/** What is decided, and why where a plain decision would mislead; nothing where what comes next says it all. */
export function decisionText(t: TFunction, { decision, findings, next }: Verdict): string {
  const found = (id: Finding['id']) => findings.some((finding) => finding.id === id);
  if (found('freeHeld')) return t('verdict.decision.free');
  if (decision === 'again' && (['tooMuchLost', 'levelsRide', 'levelsGated', 'bandLimited'] as const).some(found))
    return t('verdict.decision.device');
  if (next.change === 'tomorrow') return '';
  if (next.change === 'keep') return t('verdict.decision.held');
  if (decision === 'harder' && next.change === 'none') return t('verdict.decision.asFar');
  if (decision === 'leave' && found('tiring')) return t('verdict.decision.tired');
  if (decision === 'again' && OTHERS.some(found)) return t('verdict.decision.other');
  if (found('tooShort') || found('heldShort')) return t('verdict.decision.whole');
  if (decision === 'again' && found('brokeOff')) return t('verdict.decision.broken');
  if (decision === 'again' && found('nothingHeard')) return t('verdict.decision.missed');
  // Nearly there is what is not far over its limit.
  const far = findings.some(({ weight, severity = 1 }) => weight > 0 && severity >= FAR);
  if (decision === 'again' && far) return t('verdict.decision.only');
  return t(`verdict.decision.${decision}`);
}
const FAR = 2;
/** Another note than the one that was meant. */
const OTHERS = ['otherNote', 'hummedOther', 'octaveAbove', 'octaveBelow'] as const;

/** The sentence of what comes next. */
export function nextText(t: TFunction, verdict: Verdict, take: TakeRecord, nameOf: (midi: number) => string): string {
  const { change, parameters } = verdict.next;
  const { amount, mainNote } = familyById(take.parameters.family).teaching;
  // One partial or note more can shorten the beats as well: what is told is the one more.
  const name =
    (change === 'more' || change === 'fewer') && amount ? amount : (Object.keys(parameters)[0] ?? 'tempoBpm');
  const text = (entry: unknown) => (name === mainNote ? nameOf(Number(entry)) : String(entry));
  return t(`verdict.change.${change}`, {
    value: text(parameters[name]),
    was: text(take.parameters[name]),
    what: tableText(t, `fields.${name}`),
  });
}
