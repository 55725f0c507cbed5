// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { fireEvent, screen } from '@testing-library/react';
import { useMemo } from 'react';
import { describe, expect, it } from 'vitest';
import { freshEachTime, inApp } from '../../testing/inApp';
import { useStandKeys, type StandActions } from './useStandKeys';

freshEachTime();

describe('the keys of the Stand', () => {
  const NAMES = 'toggle pause leave again next home full hide click reference free'.split(' ') as 'toggle'[];
  const shown = () => {
    const done: string[] = [];
    const Keys = () => {
      const actions = useMemo(
        () =>
          ({
            ...Object.fromEntries(NAMES.map((name) => [name, () => done.push(name)])),
            tempo: (by: number) => done.push(`tempo ${by}`),
            note: (by: number) => done.push(`note ${by}`),
          }) as unknown as StandActions,
        [],
      );
      useStandKeys(actions);
      return (
        <>
          <input aria-label="field" />
          <button>button</button>
        </>
      );
    };
    inApp(<Keys />);
    return done;
  };
  const press = (key: string, target: Element = document.body, more = {}) =>
    fireEvent.keyDown(target, { key, ...more });
  it.each([
    [' ', 'toggle'],
    ['p', 'pause'],
    ['L', 'leave'],
    ['r', 'again'],
    ['PageUp', 'again'],
    ['ArrowRight', 'next'],
    ['PageDown', 'next'],
    ['b', 'home'],
    ['x', 'full'],
    ['H', 'hide'],
    ['c', 'click'],
    ['n', 'reference'],
    ['f', 'free'],
    ['-', 'tempo -2'],
    ['+', 'tempo 2'],
    ['=', 'tempo 2'],
    ['ArrowUp', 'note 1'],
    ['ArrowDown', 'note -1'],
  ])('“%s” does %s', (key, name) => {
    const done = shown();
    press(key);
    expect(done).toEqual([name]);
  });
  it('leave the browser its own: modifiers, held keys, others', () => {
    const done = shown();
    press('r', document.body, { ctrlKey: true });
    press('l', document.body, { metaKey: true });
    press(' ', document.body, { repeat: true });
    press('z');
    expect(done).toEqual([]);
  });
  it('rest in a field until Enter or Escape leaves it', () => {
    const done = shown();
    const field = screen.getByLabelText('field');
    field.focus();
    press('p', field);
    press('Escape', field);
    expect(document.activeElement).not.toBe(field);
    press('p');
    expect(done).toEqual(['pause']);
  });
  it('Space on a button is the button’s', () => {
    const done = shown();
    press(' ', screen.getByText('button'));
    expect(done).toEqual([]);
  });
});
