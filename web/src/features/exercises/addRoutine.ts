import type { Routine } from '@inner-hum/core/lesson';
import type { TFunction } from 'i18next';
import { store } from '../../store';
import { entry } from '../../store/lists';
import { listsChanged } from '../../store/settings';

/** Adds a routine to the player's own; a name that is taken gets a copy's. */
export function addRoutine(t: TFunction, routine: Routine): void {
  // What is there when it is added counts: a file may have been read meanwhile.
  const { routines } = store.getState().settings;
  const freeName = (name: string): string =>
    routines.some((other) => other.name === name) ? freeName(t('exercise.copyOf', { name })) : name;
  store.dispatch(listsChanged([entry.added('routines', { ...routine, name: freeName(routine.name) })]));
}
