import { Box, chakra, Flex } from '@chakra-ui/react';
import { DEMO_TAG } from '@inner-hum/core/history';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { NavLink, Outlet, useLocation } from 'react-router';
import { database } from '../../db/database';
import { removeDemoTakes } from '../../db/takes';
import { useKeyDown } from '../../ui/useKeyDown';
import { useAppSelector } from '../../store';
import { isBusy } from '../../store/practice';
import { Boundary, PlaceBoundary } from '../../shared/page/Boundary';
import { Button, Key } from '../../ui/controls';
import { NoticeBar } from '../../shared/page/Notice';
import { ShortcutsDialog } from '../../ui/ShortcutsDialog';
import { withAllWords } from '../../text/i18n';
import { MemoryBar } from './MemoryBar';
import { Rail } from './Rail';
import { useTopOfPlace } from './useTopOfPlace';

// Only now and then there is something for it to show.
const DraftOffers = lazy(() =>
  withAllWords(import('./DraftOffers').then(({ DraftOffers: Offers }) => ({ default: Offers }))),
);

const PLACES = [
  ['today', '/today'],
  ['stand', '/stand'],
  ['exercises', '/exercises'],
  ['horn', '/horn'],
  ['overtones', '/overtones'],
  ['log', '/log'],
  ['setUp', '/set-up'],
] as const;

const PlaceLink = chakra(NavLink, {
  base: {
    px: '12px',
    py: '10px',
    textDecoration: 'none',
    fontWeight: 500,
    borderBottomWidth: '3px',
    borderColor: 'transparent',
    '&.active': { borderColor: 'accent', fontWeight: 700 },
  },
});

/** What stands around every place: the rail at the left edge, the ways to the places, notices. */
export function AppFrame({ onPlace }: { readonly onPlace: () => void }) {
  const { t } = useTranslation();
  const { pathname } = useLocation();
  useTopOfPlace();
  const [keysShown, showKeys] = useState(false);
  // While something is played there is nothing but what is being played; a place left for another ends it, but not at once.
  const phase = useAppSelector((state) => state.practice.phase);
  const drafts = useAppSelector(({ drafts: { unkept, progress } }) => unkept.length > 0 || progress !== null);
  const playing = isBusy({ phase }) && pathname === '/stand';
  useKeyDown('input, textarea', (event) => {
    if (event.key !== '?') return;
    // Else it would be the first letter of what is looked for.
    event.preventDefault();
    showKeys(true);
  });
  return (
    <Flex minHeight="100dvh">
      <chakra.a
        href="#place"
        position="absolute"
        left="-999px"
        _focus={{ left: '90px', top: '8px', bg: 'panel', p: '10px', zIndex: 20 }}
      >
        {t('app.skip')}
      </chakra.a>
      <Flex direction="column" flex="1 1 0" minWidth={0}>
        <Header playing={playing} onKeys={() => showKeys(true)} />
        {!playing && (
          <Boundary broken={() => null}>
            <DemoBar />
          </Boundary>
        )}
        {!playing && <MemoryBar />}
        <chakra.main
          id="place"
          flex="1 1 auto"
          px={{ base: '12px', md: '28px' }}
          pt={playing ? '10px' : 0}
          pb={playing ? '14px' : { base: '118px', md: '72px', lg: '14px' }}
          _print={{ p: 0 }}
          tabIndex={-1}
          outline="none"
        >
          {drafts && (
            <Suspense fallback={null}>
              <DraftOffers />
            </Suspense>
          )}
          {/* Each place by itself: leaving a broken one for another is always possible. */}
          <PlaceBoundary path={pathname}>
            <Suspense fallback={<p>{t('app.loading')}</p>}>
              <Outlet />
              <WhenThere run={onPlace} />
            </Suspense>
          </PlaceBoundary>
        </chakra.main>
      </Flex>
      {/* Left on the screen, but behind the page for the keyboard: forty notes do not stand before the places. */}
      {(!playing || phase === 'free') && (
        <Boundary broken={() => null}>
          <Rail />
        </Boundary>
      )}
      {!playing && <PlacesAtTheThumb />}
      <NoticeBar />
      <ShortcutsDialog open={keysShown} onClose={() => showKeys(false)} />
    </Flex>
  );
}

/** Name, ways to the places, and what is listened to; nothing of it while something is played. */
function Header({ playing, onKeys }: { readonly playing: boolean; readonly onKeys: () => void }) {
  const { t } = useTranslation();
  const source = useAppSelector((state) => state.settings.source);
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const microphoneOpen = useAppSelector((state) => state.practice.microphoneOpen);
  return (
    <chakra.header
      display={playing ? 'none' : 'flex'}
      alignItems="center"
      gap={{ base: '8px', md: '26px' }}
      px={{ base: '12px', md: '28px' }}
      pt="8px"
      flexWrap="wrap"
      // The large note of the Stand reaches up to here and must not take the clicks.
      position="relative"
      zIndex={1}
      _print={{ display: 'none' }}
    >
      <chakra.span fontFamily="heading" fontSize="section" fontWeight={500} letterSpacing="-0.01em" hideBelow="md">
        {t('app.name')}
      </chakra.span>
      <Box hideBelow="lg">
        <Places />
      </Box>
      <chakra.span marginLeft="auto" color="inkSoft" fontSize="small" hideBelow="md">
        {t(`instruments.${instrumentId}`)} · {t(microphoneOpen ? 'app.microphoneOpen' : `sources.${source}`)}
      </chakra.span>
      <Button tone="quiet" onClick={onKeys} hideBelow="lg" css={{ '@media (hover: none)': { display: 'none' } }}>
        {t('app.shortcuts')} <Key>?</Key>
      </Button>
    </chakra.header>
  );
}

/** The ways to the places. */
function Places() {
  const { t } = useTranslation();
  return (
    <chakra.nav aria-label={t('app.nav')} display="flex">
      {PLACES.map(([id, path]) => (
        <PlaceLink key={id} to={path}>
          {t(`app.places.${id}`)}
        </PlaceLink>
      ))}
    </chakra.nav>
  );
}

/** The same on a tablet held upright and on a phone: at the lower edge, all of them in sight. */
function PlacesAtTheThumb() {
  const { t } = useTranslation();
  return (
    <chakra.nav
      aria-label={t('app.nav')}
      hideFrom="lg"
      position="fixed"
      left={0}
      right={0}
      bottom={0}
      zIndex={5}
      bg="panel"
      borderTopWidth="1.5px"
      borderColor="line"
      display="grid"
      gridTemplateColumns={{ base: 'repeat(4, 1fr)', md: 'repeat(7, 1fr)' }}
      pb="env(safe-area-inset-bottom)"
      _print={{ display: 'none' }}
    >
      {PLACES.map(([id, path]) => (
        <PlaceLink key={id} to={path} minHeight="48px" px="4px" textAlign="center">
          {t(`app.places.${id}`)}
        </PlaceLink>
      ))}
    </chakra.nav>
  );
}

/** One line of small words, or two on a phone. */
const BAR_HEIGHT = { base: '42px', sm: '24px' } as const;

function DemoBar() {
  const { t } = useTranslation();
  const demo = useLiveQuery(() => database.digests.where('tags').equals(DEMO_TAG).limit(1).primaryKeys(), []);
  const comes = useAppSelector((state) => state.notices.demoComes);
  // Its place is there while it is on its way: nothing moves under a hand when it comes.
  if (!demo?.length && !comes) return null;
  return (
    <Box
      px={{ base: '12px', md: '28px' }}
      minHeight={BAR_HEIGHT}
      color="inkSoft"
      fontSize="small"
      _print={{ display: 'none' }}
    >
      {demo?.length ? t('app.demo') : t('app.demoComes')}{' '}
      {demo !== undefined && demo.length > 0 && (
        <chakra.button
          textDecoration="underline"
          cursor="pointer"
          minHeight="24px"
          onClick={() => void removeDemoTakes()}
        >
          {t('app.removeDemo')}
        </chakra.button>
      )}
    </Box>
  );
}

/** Runs something once the first place is there: beside it, it waits for it. */
function WhenThere({ run }: { readonly run: () => void }) {
  useEffect(run, [run]);
  return null;
}
