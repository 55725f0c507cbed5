import { beatSeconds } from '@inner-hum/core/exercise';
import { evidenceOf, type Evidence, type Finding } from '@inner-hum/core/judge';
import type { TakeRecord } from '@inner-hum/core/take';
import type { TFunction } from 'i18next';
import { formatNumber } from './format';

/** The numbers that are read at a place of the ribbon, the first that a finding has. */
const READ = ['cents', 'db', 'ms', 'partials'] as const;

/** Places that so many findings of a verdict are about, most important first, each with what is to be read there. */
export function evidenceMarks(
  t: TFunction,
  take: TakeRecord,
  most: number,
): readonly (Evidence & { readonly label: string })[] {
  return take.verdict.findings.slice(0, most).flatMap((finding) => {
    const place = evidenceOf(finding, take);
    return place ? [{ ...place, label: labelOf(t, finding, place, take) }] : [];
  });
}

function labelOf(t: TFunction, { values }: Finding, { fromS }: Evidence, { score, firstBeatS }: TakeRecord): string {
  const numbers: Readonly<Record<string, number>> = values;
  const beatsFrom = (timeS: number) => (timeS - firstBeatS) / beatSeconds(score);
  // A moment lies in its beat, as its sentence says; a stretch begins at the nearest.
  const atS = numbers['atS'];
  const beat = 1 + Math.max(0, Math.floor(atS === undefined ? beatsFrom(fromS) + 0.5 : beatsFrom(atS)));
  const name = READ.find((id) => numbers[id] !== undefined);
  const number =
    name && t(`verdict.mark.${name}`, { value: formatNumber(numbers[name]!, name === 'partials' ? 1 : 0) });
  return [number, t('verdict.mark.beat', { beat })].filter(Boolean).join(' · ');
}
