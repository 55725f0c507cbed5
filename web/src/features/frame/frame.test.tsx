// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { store } from '../../store';
import { cameToNothing, takeAsked } from '../../store/practice';
import { freshEachTime, inApp } from '../../testing/inApp';
import { AppFrame } from './AppFrame';

describe('the ways to the places', () => {
  freshEachTime();
  afterEach(() => void store.dispatch(cameToNothing(null)));
  const ways = () => screen.queryByRole('navigation', { name: 'Places' });

  it('are not there on the Stand while a take runs', () => {
    store.dispatch(takeAsked());
    inApp(<AppFrame onPlace={() => undefined} />, '/stand');
    expect(ways()).toBeNull();
  });

  it.each(['/stand', '/horn'])('are at %s while nothing runs', (place) => {
    inApp(<AppFrame onPlace={() => undefined} />, place);
    expect(ways()).not.toBeNull();
  });

  it('are in another place even while what ran on the Stand comes to its end', () => {
    store.dispatch(takeAsked());
    inApp(<AppFrame onPlace={() => undefined} />, '/horn');
    expect(ways()).not.toBeNull();
  });
});
