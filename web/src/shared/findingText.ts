import type { Finding, Verdict } from '@inner-hum/core/judge';
import type { TakeRecord } from '@inner-hum/core/formats';
import { instrumentById, writtenMidi } from '@inner-hum/core/theory';
import type { TFunction } from 'i18next';
import { formatNumber } from './format';

/** Decimals of the numbers in sentences, by their name; others are whole. */
const DECIMALS: Record<string, number> = { beats: 1, db: 0, plannedDb: 0 };

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
  if (finding.id === 'otherNote') {
    const horn = instrumentById(take.setup.instrumentId);
    words['heard'] = nameOf(writtenMidi(horn, values['soundingMidi']!));
    words['wanted'] = nameOf(take.score.steps[finding.stepIndex]!.soundedMidi);
  }
  const which = take.score.steps.length > 1 ? t('verdict.swellOf', { number: finding.stepIndex + 1 }) : '';
  return which + t(`verdict.findings.${finding.id}`, { ...words, ...(values['count'] && { count: values['count'] }) });
}

/** The sentence of what comes next. */
export function nextText(t: TFunction, verdict: Verdict, take: TakeRecord): string {
  const { change, parameters } = verdict.next;
  const now = take.parameters;
  const was = change === 'startLouder' ? now.softest : now.tempoBpm;
  return t(`verdict.change.${change}`, {
    softest: parameters.softest,
    loudest: parameters.loudest,
    tempo: parameters.tempoBpm,
    was,
  });
}
