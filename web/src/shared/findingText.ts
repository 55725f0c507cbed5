import type { Finding, Verdict } from '@inner-hum/core/judge';
import type { TakeRecord } from '@inner-hum/core/take';
import { hzToMidi, instrumentById, writtenMidi } from '@inner-hum/core/theory';
import type { TFunction } from 'i18next';
import { formatNumber } from './format';

/** Findings that are about the whole take, not about one of its tones. */
const ABOUT_ALL = new Set<Finding['id']>([
  'steady',
  'stoppedAfter',
  'tongueFails',
  'airFails',
  'bothFail',
  'laterWorse',
  'pairsNearer',
  'unevenTime',
  'humRight',
  'bendDeep',
  'rests',
  'slopeEverywhere',
  'slopeHere',
  'leakLikely',
  'steadierNow',
  'tiring',
]);

/** Decimals of the numbers in sentences, by their name; others are whole. */
const DECIMALS: Record<string, number> = { beats: 1, seconds: 1, partials: 1, db: 0, plannedDb: 0 };

/** The sentence of a finding with its evidence, rounded to what can be known. */
export function findingText(
  t: TFunction,
  finding: Finding,
  take: TakeRecord,
  nameOf: (midi: number) => string,
): string {
  const { values } = finding;
  const words: Record<string, string | number> = {};
  for (const [name, value] of Object.entries(values)) {
    const unit = name === 'uncertainty' ? Object.keys(values)[0]! : name;
    const decimals = DECIMALS[unit] ?? 0;
    const rounded = name === 'uncertainty' ? Math.max(value, 10 ** -decimals) : value;
    words[name] = formatNumber(rounded, decimals);
  }
  if (finding.id === 'rests') words['note'] = nameOf(Math.round(hzToMidi(values['hz']!, take.setup.a4Hz)));
  if (finding.id === 'otherNote' || finding.id === 'hummedOther') {
    const horn = instrumentById(take.setup.instrumentId);
    words['heard'] = nameOf(writtenMidi(horn, values['soundingMidi']!));
    words['wanted'] = nameOf(take.score.steps[finding.stepIndex]!.soundedMidi);
  }
  const sentence = t(`verdict.findings.${finding.id}`, {
    ...words,
    ...(values['count'] && { count: values['count'] }),
  });
  const step = take.score.steps[finding.stepIndex];
  if (take.score.steps.length === 1 || !step || ABOUT_ALL.has(finding.id)) return sentence;
  const which = t('verdict.toneOf', { number: finding.stepIndex + 1, note: nameOf(step.soundedMidi) });
  const more = (finding.steps ?? 1) - 1;
  return `${which}${sentence}${more > 0 ? ` ${t('verdict.moreTones', { count: more })}` : ''}`;
}

/** The sentence of what comes next. */
export function nextText(t: TFunction, verdict: Verdict, take: TakeRecord, nameOf: (midi: number) => string): string {
  const { change, parameters } = verdict.next;
  const [name = 'tempoBpm', value = ''] = Object.entries(parameters)[0] ?? [];
  const text = (one: unknown) => (name === 'writtenMidi' ? nameOf(Number(one)) : String(one));
  return t(`verdict.change.${change}`, { value: text(value), was: text(take.parameters[name]) });
}
