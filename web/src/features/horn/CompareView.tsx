import { Box, chakra, Flex } from '@chakra-ui/react';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { type Comparison } from '@inner-hum/core/experiments';
import { SETUP_PARTS } from '@inner-hum/core/history';
import type { InstrumentId } from '@inner-hum/core/theory';
import { subDays } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { database } from '../../db/database';
import type { TakeFilter } from '../../db/search';
import { compareService } from '../../db/compareService';
import { Button, Choice } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';
import { useCells } from '../../shared/stored/useCells';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useAppSelector } from '../../store';
import { dayOf } from '../../base/days';
import { detailOf } from '../../base/detailOf';
import { FindOut } from './FindOut';
import { tableText } from '../../text/tableText';
import { Results } from './CompareResults';

const LATELY_DAYS = 14;
const PERIODS = ['period:before', 'period:lately'] as const;

/** Questions that playing answers, and two sides of what was played set against each other. */
export function CompareView() {
  const { t } = useTranslation();
  return (
    <>
      <FindOut />
      <SectionTitle>{t('compare.title')}</SectionTitle>
      <TwoSides />
    </>
  );
}

/** Two set-ups, rooms, cues or periods side by side: what differs more than chance, and what is not decided. */
function TwoSides() {
  const { t } = useTranslation();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const sides = useSides();
  const [chosen, choose] = useState<readonly [string, string]>();
  const [first, second] = chosen ?? firstChoice(sides ?? []);
  const [done, setDone] = useState<{ readonly sides: string; readonly found: readonly Comparison[] }>();
  const now = `${instrumentId} ${first} ${second}`;
  const found = done?.sides === now ? done.found : undefined;
  const [failed, setFailed] = useState<{ readonly sides: string; readonly detail: string }>();
  useEffect(() => {
    let gone = false;
    if (!sides?.length || first === second) return;
    compareService()
      .compare(side(first, instrumentId), side(second, instrumentId))
      .then(
        (result) => !gone && setDone({ sides: now, found: result }),
        (error: unknown) => !gone && setFailed({ sides: now, detail: detailOf(error) }),
      );
    return () => void (gone = true);
  }, [sides, first, second, instrumentId, now]);
  const textOf = (key: string) =>
    key.startsWith('period:')
      ? t(key === 'period:lately' ? 'compare.lately' : 'compare.before', { days: LATELY_DAYS })
      : key.startsWith('cue:')
        ? tableText(t, `cues.${key.slice('cue:'.length)}`)
        : t('compare.part', {
            part: tableText(t, `gear.parts.${key.split(':')[0]}`),
            name: key.slice(key.indexOf(':') + 1),
          });
  if (!sides) return <p>{t('app.loading')}</p>;
  if (sides.length === 0) return <EmptyCompare />;
  return (
    <Box maxWidth="64rem">
      <Flex gap="14px" wrap="wrap" mb="16px">
        <Choice
          label={t('compare.first')}
          value={first}
          options={sides}
          textOf={textOf}
          onChange={(key) => choose([key, second])}
        />
        <Choice
          label={t('compare.second')}
          value={second}
          options={sides}
          textOf={textOf}
          onChange={(key) => choose([first, key])}
        />
      </Flex>
      {first === second && <p>{t('compare.same')}</p>}
      {found && <Results found={found} name={shortNameOf(first, textOf(first))} />}
      {!found && first !== second && (
        <p role="status">{failed?.sides === now ? t('app.wentWrong', { detail: failed.detail }) : t('app.loading')}</p>
      )}
    </Box>
  );
}

/** What can be set against what on the present size of horn: gear and rooms it was played with, cues, periods; none without takes. */
function useSides(): readonly string[] | undefined {
  const cells = useCells();
  const cues = useLiveQuery(() => database.digests.where('tags').startsWith('cue:').uniqueKeys());
  return useMemo(() => {
    if (!cells || !cues) return undefined;
    if (cells.length === 0) return [];
    const own = cells.flatMap(({ setup }) =>
      SETUP_PARTS.flatMap((part) => (setup[part] ? [`${part}:${setup[part]}`] : [])),
    );
    return [...PERIODS, ...[...new Set([...own, ...(cues as string[])])].sort()];
  }, [cells, cues]);
}

/** Two reeds when there are, else the last fortnight against the time before. */
function firstChoice(sides: readonly string[]): readonly [string, string] {
  const reeds = sides.filter((text) => text.startsWith('reed:'));
  return reeds.length > 1 ? [reeds[0]!, reeds[1]!] : PERIODS;
}

function side(key: string, instrumentId: InstrumentId): TakeFilter {
  const size = `size:${instrumentId}`;
  const edge = dayOf(subDays(new Date(), LATELY_DAYS));
  if (key === 'period:lately') return { tags: [size], since: edge };
  if (key === 'period:before') return { tags: [size], since: '', before: edge };
  return { tags: [size, key], since: '' };
}

function EmptyCompare() {
  const { t } = useTranslation();
  const open = useOpenExercise();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  return (
    <Box maxWidth="40rem">
      <chakra.p mb="12px">{t('compare.empty')}</chakra.p>
      <Button tone="strong" onClick={() => open(usualExercise(familyById('survey'), instrumentId))}>
        {t('compare.emptyAction')}
      </Button>
    </Box>
  );
}

/** Own names of gear in quotes, of which sentences speak; the rest as it is chosen. */
function shortNameOf(key: string, text: string): string {
  return key.startsWith('period:') || key.startsWith('cue:') ? text : `“${key.slice(key.indexOf(':') + 1)}”`;
}
