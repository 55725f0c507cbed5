import { DYNAMICS } from '@inner-hum/core/theory';
import type { TFunction } from 'i18next';
import { tableText } from './tableText';

/** A choice of a field in words; dynamics and names of keys are written as they are. */
export function optionText(t: TFunction, option: string): string {
  return isDynamic(option) ? option : tableText(t, `options.${option}`, { defaultValue: option });
}

export function isDynamic(option: string): boolean {
  return (DYNAMICS as readonly string[]).includes(option);
}
