import { ChakraProvider } from '@chakra-ui/react';
import { cleanup, configure, render, type RenderResult } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter, useLocation } from 'react-router';
import { afterEach, beforeEach } from 'vitest';
import { database } from '../db/database';
import '../text/i18n';
import { system } from '../ui/theme';
import { PageSoundProvider } from '../practice/usePageSound';
import { store } from '../store';
import { settingsLoaded } from '../store/settings';
import { FIRST_SETTINGS, type Settings } from '../db/settings/settings';
import { forgetKept } from '../shared/stored/useKept';
import { madePage } from './madePage';

// What is waited for comes from a database: on a busy machine that takes its time.
configure({ asyncUtilTimeout: 20_000 });

/** Each test of a file begins with first settings, an empty database and an empty page. */
export function freshEachTime(): void {
  beforeEach(async () => {
    store.dispatch(settingsLoaded(FIRST_SETTINGS));
    forgetKept();
    await Promise.all(database.tables.map((table) => table.clear()));
  });
  afterEach(cleanup);
}

/** Shows a part of the application at an address, with the real store and database around it. */
export function inApp(children: ReactNode, address = '/'): RenderResult {
  return render(
    <Provider store={store}>
      <ChakraProvider value={system}>
        <PageSoundProvider value={madePage()}>
          <MemoryRouter initialEntries={[address]}>
            {children}
            <Address />
          </MemoryRouter>
        </PageSoundProvider>
      </ChakraProvider>
    </Provider>,
  );
}

/** Where one is, for tests to read. */
function Address() {
  const { pathname, search } = useLocation();
  return <span data-testid="address">{pathname + search}</span>;
}

/** The settings as they are now. */
export const settings = (): Settings => store.getState().settings;
