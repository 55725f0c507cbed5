import { useAppSelector } from '../store';

/** Whether nothing runs on the Stand that leaving the page would cut off. */
export function useIdle(): boolean {
  return useAppSelector(({ stand }) => ['idle', 'verdict'].includes(stand.phase) && stand.block === null);
}
