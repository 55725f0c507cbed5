import type { ExerciseParameters, PartWords, Score } from '@inner-hum/core/exercise';
import type { TFunction } from 'i18next';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';

/**
 * What stands over the steps and gaps of a part, in the page's language: how a tone starts, where that changes, and what
 * is done with it.
 */
export function partWords(t: TFunction, score: Score, { vent }: ExerciseParameters): PartWords {
  const started = score.steps.map(({ attack, hum }) => (attack === 'slurred' || hum ? undefined : attack));
  return {
    step: (index) => {
      const start = started[index];
      const changes = start !== undefined && started.slice(0, index).findLast(Boolean) !== start;
      return [
        changes ? t(`part.start.${start}`) : undefined,
        score.steps[index]!.hum ? t('part.hum') : undefined,
        ...manner(t, score, index, vent),
      ]
        .filter(Boolean)
        .join(', ');
    },
    gap: (kind) => t(`part.gap.${kind}`),
  };
}

/** The same for one step by itself, as it is said while it is due: its start is always said. */
export function stepWords(
  t: TFunction,
  score: Score,
  index: number,
  { vent }: ExerciseParameters,
): { readonly start: string; readonly manner: string } {
  const { attack, hum } = score.steps[index]!;
  return {
    start: attack === 'slurred' || hum ? '' : `${START_SIGNS[attack]} ${t(`part.start.${attack}`)}`,
    manner: manner(t, score, index, vent).join(', '),
  };
}
/** The tongue is a point, the air is open. */
const START_SIGNS = { tongue: '●', breath: '○' } as const;

const VENTS = ['palmD', 'frontE', 'frontF'] as const;

/** What is done with a tone besides playing it. */
function manner(t: TFunction, { steps }: Score, index: number, vent: unknown): string[] {
  const { subtone, bendCents, pair } = steps[index]!;
  const known = VENTS.find((one) => one === vent);
  return [
    ...(subtone ? [t('part.subtone')] : steps[index - 1]?.subtone ? [t('part.full')] : []),
    ...(bendCents ? [t(bendCents > 0 ? 'part.bend' : 'part.bendUp', { cents: Math.abs(bendCents) })] : []),
    ...(known ? [t(`part.${pair ? 'ventOff' : 'vent'}.${known}`)] : []),
  ];
}

export function usePartWords(score: Score, exercise: ExerciseParameters): PartWords {
  const { t } = useTranslation();
  return useMemo(() => partWords(t, score, exercise), [t, score, exercise]);
}
