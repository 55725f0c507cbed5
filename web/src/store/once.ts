import { store, type RootState } from '.';

/** Waits until the state tells what is asked for, and gives it. */
export function once<T>(told: (state: RootState) => T | undefined): Promise<T> {
  return new Promise((resolve) => {
    const look = () => {
      const answer = told(store.getState());
      if (answer === undefined) return;
      unsubscribe();
      resolve(answer);
    };
    const unsubscribe = store.subscribe(look);
    look();
  });
}
