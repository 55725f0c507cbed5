import type { Routine } from '@inner-hum/core/lesson';
import { detailOf } from '../../base/detailOf';
import { putRemarks } from '../../db/takeNotes';
import { store } from '../../store';
import { noticed } from '../../store/notices';

/** Says that a routine was taken in, puts the remarks that came with it on their takes, and says on how many. */
export async function tellOfRoutine({ name, from, remarks = [] }: Routine): Promise<void> {
  store.dispatch(noticed({ key: 'routines.read', values: { name } }));
  if (remarks.length === 0) return;
  try {
    const here = await putRemarks({ from, remarks });
    const said = { key: 'routines.remarked', values: { count: here } } as const;
    store.dispatch(noticed(here > 0 ? said : { key: 'routines.remarkedNowhere' }));
  } catch (error) {
    store.dispatch(noticed({ key: 'routines.notRemarked', values: { detail: detailOf(error) } }));
  }
}
