import { useKeyDown } from '../../ui/useKeyDown';

export interface StandActions {
  readonly toggle: () => void;
  readonly pause: () => void;
  readonly leave: () => void;
  readonly again: () => void;
  readonly next: () => void;
  readonly home: () => void;
  readonly full: () => void;
  readonly hide: () => void;
  readonly click: () => void;
  readonly reference: () => void;
  readonly free: () => void;
  readonly tempo: (by: number) => void;
  readonly note: (by: number) => void;
}

/** Keys of the Stand. They rest in a field (Enter or Escape leaves it) and leave keys with modifiers to the browser. */
export function useStandKeys(actions: StandActions): void {
  const run: Record<string, () => void> = {
    ' ': actions.toggle,
    p: actions.pause,
    l: actions.leave,
    r: actions.again,
    PageUp: actions.again,
    ArrowRight: actions.next,
    PageDown: actions.next,
    b: actions.home,
    x: actions.full,
    h: actions.hide,
    c: actions.click,
    n: actions.reference,
    f: actions.free,
    '-': () => actions.tempo(-2),
    '+': () => actions.tempo(2),
    '=': () => actions.tempo(2),
    ArrowDown: () => actions.note(-1),
    ArrowUp: () => actions.note(1),
  };
  useKeyDown('dialog', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
    const target = event.target as HTMLElement;
    if (target.closest('input, select, textarea')) {
      // Enter or Escape leaves a field, so that the next key is the Stand's again.
      if (event.key === 'Escape' || event.key === 'Enter') target.blur();
      return;
    }
    // Space on a focused button is that button's own.
    if (event.key === ' ' && target.closest('button')) return;
    const action = run[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!action) return;
    event.preventDefault();
    action();
  });
}
