import { useAppSelector } from '../../store';
import { isBusy } from '../../store/practice';

/** Whether nothing runs on the Stand that leaving the page would cut off. */
export function useIdle(): boolean {
  return useAppSelector(({ practice }) => !isBusy(practice) && practice.block === null);
}
