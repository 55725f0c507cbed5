import { useAppSelector } from '../../store';
import { isIdle } from '../../store/practice';

/** Whether nothing runs on the Stand that leaving the page would cut off. */
export function useIdle(): boolean {
  return useAppSelector(({ practice }) => isIdle(practice));
}
