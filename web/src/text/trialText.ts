import type { Trial } from '@inner-hum/core/exercise';
import { QUANTITY_ROWS } from '@inner-hum/core/measure';
import type { Difference, Experiment, ExperimentAnswer } from '@inner-hum/core/experiments';
import type { TFunction } from 'i18next';
import { formatNumber, formatSigned } from './format';
import { tableText } from './tableText';

/** What the ways of an experiment are called where they are not said in words. */
export const LETTERS = ['A', 'B', 'C'] as const;
export const BAND_OF = { p: 'soft', mf: 'medium', f: 'loud' } as const;

/** What is to be played at a try: as a task, or in short for the Stand. */
export function trialText(
  t: TFunction,
  { kind, variants }: Experiment,
  { variant, part, round }: Trial,
  short = false,
): string {
  const said = { letter: LETTERS[variant]!, way: variants[variant]!, number: round + 1 };
  if (kind === 'ways') return t(short ? 'findOut.stand' : 'findOut.nowWay', said);
  if (part === 0) return t(short ? 'findOut.standBefore' : 'findOut.nowBefore', said);
  return t(short ? 'findOut.standAfter' : 'findOut.nowAfter', said);
}

/** One difference in a sentence, in the player's own words for the ways. */
export function differenceText(t: TFunction, { variants }: Experiment, found: Difference, ofRounds: number): string {
  const { quantity, dynamic, answer, difference, from, to, rounds } = found;
  const { unit, factor, digits } = QUANTITY_ROWS[quantity];
  const about = {
    quantity: tableText(t, `compare.quantities.${quantity}`),
    loudness: t(`horn.bands.${BAND_OF[dynamic]}`),
    first: variants[found.variants[0]]!,
    second: variants[found.variants[1]]!,
    unit: t(`measures.units.${unit}`),
  };
  if (answer === 'differs') {
    const size = (value: number) => formatNumber(Math.abs(value) * factor, digits);
    const [least, most] = difference < 0 ? [to, from] : [from, to];
    const way = tableText(t, `compare.ways.${quantity}.${difference < 0 ? 'less' : 'more'}`);
    return t('findOut.differs', { ...about, value: size(difference), from: size(least), to: size(most), way });
  }
  const signed = { from: formatSigned(from * factor, digits), to: formatSigned(to * factor, digits) };
  if (answer === 'alike') return t('findOut.alike', { ...about, ...signed });
  return rounds === undefined
    ? t('findOut.open', { ...about, ...signed, count: ofRounds })
    : t('findOut.openMore', { ...about, ...signed, count: rounds });
}

/** What changes over a session whatever is played, in a sentence. */
export function driftText(t: TFunction, { quantity, dynamic, perTry }: ExperimentAnswer['drifts'][number]): string {
  const { unit, factor, digits } = QUANTITY_ROWS[quantity];
  return t('findOut.drift', {
    quantity: tableText(t, `compare.quantities.${quantity}`),
    loudness: t(`horn.bands.${BAND_OF[dynamic]}`),
    value: formatSigned(perTry * factor, digits + 1),
    unit: t(`measures.units.${unit}`),
  });
}
