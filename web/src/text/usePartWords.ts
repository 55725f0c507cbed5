import type { ExerciseParameters, PartWords, Score, Step } from '@inner-hum/core/exercise';
import type { TFunction } from 'i18next';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useNoteName } from './useNoteName';

/**
 * What stands over the steps and gaps of a part, in the page's language: how a tone starts, where that changes, and what
 * is done with it.
 */
export function partWords(
  t: TFunction,
  score: Score,
  { vent }: ExerciseParameters,
  nameOf: (midi: number) => string,
): PartWords {
  const named = mixesSources(score);
  const started = score.steps.map(({ attack, hum }) => (attack === 'slurred' || hum ? undefined : attack));
  return {
    step: (index) => {
      const start = started[index];
      const changes = start !== undefined && started.slice(0, index).findLast(Boolean) !== start;
      return [
        changes ? t(`part.start.${start}`) : undefined,
        score.steps[index]!.hum ? t('part.hum') : undefined,
        named && !isSameSource(score.steps[index]!, score.steps[index - 1]) ? sourceOf(score.steps[index]!) : undefined,
        ...manner(t, score, index, vent),
      ]
        .filter(Boolean)
        .join(', ');
    },
    gap: (kind) => t(`part.gap.${kind}`),
  };

  function sourceOf({ partialNumber, fingeredMidi, hum }: Step): string | undefined {
    if (hum) return undefined;
    return partialNumber === 1 ? t('part.regular') : t('part.on', { fingered: nameOf(fingeredMidi) });
  }
}

/** Whether it has overtones, so that of each note its source is to be said. */
const mixesSources = ({ steps }: Score) => steps.some(({ partialNumber }) => partialNumber > 1);

/** Whether two notes are overblown from one fingering, or are both regular. */
function isSameSource(step: Step, before: Step | undefined): boolean {
  // Until something else is said a fingering is the regular one.
  if (step.partialNumber === 1) return (before?.partialNumber ?? 1) === 1;
  return before !== undefined && before.partialNumber > 1 && before.fingeredMidi === step.fingeredMidi;
}

/** By what a note is played, where a part has overtones: its regular fingering, or which one is overblown; and to which partial, where partials are named. */
export function sourceWords(
  t: TFunction,
  score: Score,
  index: number,
  nameOf: (midi: number) => string,
  partialName?: (partial: number) => string,
): string {
  const { partialNumber, fingeredMidi, hum } = score.steps[index]!;
  if (hum || !mixesSources(score)) return '';
  if (partialNumber === 1) return t('part.regular');
  const fingered = nameOf(fingeredMidi);
  return partialName
    ? t('part.overblownTo', { fingered, partial: partialName(partialNumber) })
    : t('part.overblown', { fingered });
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
  const nameOf = useNoteName();
  return useMemo(() => partWords(t, score, exercise, nameOf), [t, score, exercise, nameOf]);
}
