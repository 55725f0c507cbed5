import { Box, chakra, Flex } from '@chakra-ui/react';
import {
  bestRoute,
  type ExerciseParameters,
  NoSourceError,
  parsePhrase,
  ROUTE_AIMS,
  routeChoices,
  type Route,
  type RouteAim,
} from '@inner-hum/core/exercise';
import { familyById, tryScore, usualExercise } from '@inner-hum/core/families';
import { ownSources } from '@inner-hum/core/map';
import { sourceKey } from '@inner-hum/core/theory';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button, Select } from '../../ui/controls';
import { formatNumber, formatSigned } from '../../text/format';
import { PhraseField } from '../../shared/exercise/PhraseField';
import { SectionTitle } from '../../ui/PageTitle';
import { useCells } from '../../shared/stored/useCells';
import { useNoteName } from '../../text/useNoteName';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { usePartialName } from '../../text/usePartialName';
import { useAppSelector } from '../../store';
import { PhraseEntry } from '../../shared/exercise/PhraseEntry';
import { useHorn } from '../../store/useHorn';

type Routes = Readonly<Record<RouteAim, Route>>;

/** A phrase, the best ways through it as overtones for three aims, and the practice of one of them. */
export function RoutePlanner() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const open = useOpenExercise();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const horn = useHorn();
  const cells = useCells();
  const own = useMemo(() => ownSources(cells ?? []), [cells]);
  const usual = (family: string) => usualExercise(familyById(family), horn.hornId);
  const [phrase, setPhrase] = useState(String(usual('overtoneRoute')['phrase']));
  const [aim, setAim] = useState<RouteAim>('easiest');
  const [pins, setPins] = useState<ReadonlyMap<number, string>>(new Map());
  const midis = useMemo(() => parsePhrase(phrase).flatMap((note) => note.midi ?? []), [phrase]);
  const routes = useMemo((): Routes | NoSourceError => {
    try {
      const of = (choice: RouteAim) => bestRoute(horn, midis, { aim: choice, own, pins });
      return { easiest: of('easiest'), inTune: of('inTune'), mostToLearn: of('mostToLearn') };
    } catch (error) {
      if (error instanceof NoSourceError) return error;
      throw error;
    }
  }, [horn, midis, own, pins]);
  const take = (text: string) => {
    setPhrase(text);
    setPins(new Map());
  };
  const twelfths = playable({ ...usual('shortTwelfths'), pattern: 'phraseFifthUp', phrase });
  return (
    <Box>
      <PhraseField key={`${instrumentId} ${phrase}`} label={t('overtones.phrase')} value={phrase} onChange={take} />
      <PhraseEntry phrase={phrase} onPhrase={take} />
      {routes instanceof NoSourceError ? (
        <chakra.p role="alert" color="accent" fontWeight={600} mt="16px">
          {t('overtones.noRoute', { number: routes.place + 1, note: nameOf(routes.midi) })}
        </chakra.p>
      ) : (
        <>
          <Aims routes={routes} aim={aim} onAim={setAim} />
          <Steps
            route={routes[aim]}
            pins={pins}
            onPin={(place, key) =>
              setPins(new Map([...pins].filter(([at]) => at !== place).concat(key ? [[place, key]] : [])))
            }
          />
          <Flex gap="12px" mt="16px" wrap="wrap">
            <Button
              tone="strong"
              onClick={() =>
                open({
                  ...usual('overtoneRoute'),
                  phrase,
                  aim,
                  route: routes[aim].sources.map(sourceKey).join(' '),
                })
              }
            >
              {t('overtones.practiseRoute')}
            </Button>
            <Button disabled={!twelfths} onClick={() => twelfths && open(twelfths)}>
              {t('overtones.fifthUp')}
            </Button>
            {(['up', 'down'] as const).map((direction) => {
              const moved = playable({ ...usual('octaveDisplacement'), phrase, direction });
              return (
                <Button key={direction} disabled={!moved} onClick={() => moved && open(moved)}>
                  {t(`overtones.octave.${direction}`)}
                </Button>
              );
            })}
          </Flex>
        </>
      )}
    </Box>
  );
}

/** The exercise when the horn can play it, else undefined. */
function playable(exercise: ExerciseParameters): ExerciseParameters | undefined {
  return 'score' in tryScore(exercise) ? exercise : undefined;
}

/** The three aims side by side: what each route costs and brings. */
function Aims({
  routes,
  aim,
  onAim,
}: {
  readonly routes: Routes;
  readonly aim: RouteAim;
  readonly onAim: (aim: RouteAim) => void;
}) {
  const { t } = useTranslation();
  return (
    <Flex role="radiogroup" aria-label={t('overtones.aims')} gap="12px" mt="18px" wrap="wrap">
      {ROUTE_AIMS.map((routeAim) => {
        const { offCents, keysMoved, tubes } = routes[routeAim];
        return (
          <chakra.button
            key={routeAim}
            role="radio"
            aria-checked={routeAim === aim}
            onClick={() => onAim(routeAim)}
            textAlign="left"
            borderWidth={routeAim === aim ? '2.5px' : '1.5px'}
            borderColor={routeAim === aim ? 'accent' : 'line'}
            bg={routeAim === aim ? 'panel' : 'transparent'}
            borderRadius="card"
            px="16px"
            py="10px"
            cursor="pointer"
          >
            <chakra.span display="block" fontFamily="heading" fontSize="lead" fontWeight={600}>
              {t(`options.${routeAim}`)}
            </chakra.span>
            {t('overtones.routeParts', {
              cents: formatNumber(offCents, 0),
              keys: keysMoved,
              count: tubes,
            })}
          </chakra.button>
        );
      })}
    </Flex>
  );
}

/** The chosen route note by note; each can be pinned to another source. */
function Steps({
  route,
  pins,
  onPin,
}: {
  readonly route: Route;
  readonly pins: ReadonlyMap<number, string>;
  readonly onPin: (place: number, key: string) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const partialName = usePartialName();
  const horn = useHorn();
  const sourceName = (partial: number) => (partial === 1 ? t('overtones.regular') : partialName(partial));
  return (
    <Box mt="18px">
      <SectionTitle>{t('overtones.steps')}</SectionTitle>
      <chakra.ol display="flex" flexWrap="wrap" gap="10px" listStyleType="none">
        {route.sources.map((source, place) => (
          <chakra.li
            key={place}
            width="152px"
            borderWidth="1.5px"
            borderColor={pins.has(place) ? 'accent' : 'line'}
            borderRadius="field"
            p="8px"
          >
            <chakra.span fontFamily="heading" fontSize="title">
              {nameOf(source.soundedMidi)}
            </chakra.span>
            <chakra.span float="right" color="inkSoft" fontSize="small">
              {formatSigned(source.offsetCents, 0)}
            </chakra.span>
            <Select
              aria-label={t('overtones.pin', { number: place + 1 })}
              value={pins.get(place) ?? ''}
              onChange={(event) => onPin(place, event.target.value)}
              fontSize="small"
            >
              <option value="">
                {nameOf(source.fingeredMidi)} · {sourceName(source.partialNumber)}
              </option>
              {routeChoices(horn, source.soundedMidi).map((routeChoice) => (
                <option key={sourceKey(routeChoice)} value={sourceKey(routeChoice)}>
                  {t('overtones.pinned', {
                    fingered: nameOf(routeChoice.fingeredMidi),
                    partial: sourceName(routeChoice.partialNumber),
                  })}
                </option>
              ))}
            </Select>
          </chakra.li>
        ))}
      </chakra.ol>
    </Box>
  );
}
