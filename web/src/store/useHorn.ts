import type { Horn } from '@inner-hum/core/theory';
import { hornNow } from '../db/settings/horn';
import { useAppSelector } from '.';

/** The horn that is played on now, with the keys it has. */
export function useHorn(): Horn {
  return useAppSelector((state) => hornNow(state.settings));
}
