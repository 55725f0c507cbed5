import { Box, chakra, Flex } from '@chakra-ui/react';
import type { TakeRecord } from '@inner-hum/core/take';
import { format, isValid } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { database } from '../../db/database';
import { findTakes, type TakeFilter } from '../../db/search';
import { Button } from '../../ui/controls';
import { hasTakes, unlistedTakes } from '../../db/takes';
import { DamagedTake, TakeBoundary } from '../../shared/Boundary';
import { deleteTake } from '../../store/undo';
import { findingText } from '../../text/findingText';
import { exerciseMeta, exerciseTitle } from '../../text/exerciseText';
import { mainNote } from '../../store/settings';
import { LogFilter, useTakeFilter } from './LogFilter';
import { StorageRow } from './StorageRow';
import { Trend } from './TrendPanel';
import { MiniRibbon } from '../../ribbon/MiniRibbon';
import { useNoteName } from '../../text/useNoteName';
import { Bin } from './Bin';
import { FileRow } from './FileRow';

const PAGE = 30;

/** The Log: every take, newest first, and the files that carry them. */
export default function LogPage() {
  const { t } = useTranslation();
  const [limit, setLimit] = useState(PAGE);
  const filter = useTakeFilter();
  const key = JSON.stringify(filter);
  const found = useLiveQuery(() => findTakes(JSON.parse(key) as TakeFilter, limit), [key, limit]);
  const count = useLiveQuery(() => database.takes.count(), []);
  const any = useLiveQuery(hasTakes, []);
  const unlisted = useLiveQuery(unlistedTakes, []);
  if (!found || any === undefined) return <p>{t('app.loading')}</p>;
  const { takes, more } = found;
  return (
    <Box maxWidth="72rem">
      <Flex align="baseline" gap="18px" wrap="wrap" mt="14px" mb="10px">
        <chakra.h1 fontFamily="heading" fontSize="2.2rem" fontWeight={500}>
          {t('log.title')}
        </chakra.h1>
        <chakra.span color="inkSoft">{count ? t('log.takes', { count }) : ''}</chakra.span>
      </Flex>
      <FileRow any={any} />
      <StorageRow />
      {any && (
        <>
          <LogFilter />
          <Trend filter={filter} />
          {takes.length === 0 && <chakra.p mt="18px">{t('log.filter.none')}</chakra.p>}
        </>
      )}
      {!any && (
        <Box my="48px">
          <chakra.p fontFamily="heading" fontSize="1.5rem" mb="14px">
            {t('log.empty')}
          </chakra.p>
          <Button as={Link} tone="strong" {...{ to: '/stand' }}>
            {t('log.emptyAction')}
          </Button>
        </Box>
      )}
      <chakra.ul listStyleType="none">
        {takes.map((take, i) => (
          <li key={take.id}>
            {(i === 0 || day(takes[i - 1]!) !== day(take)) && (
              <chakra.h2 fontFamily="heading" fontSize="1.15rem" fontWeight={600} mt="22px" mb="4px">
                {day(take)}
              </chakra.h2>
            )}
            <TakeBoundary id={take.id}>
              <TakeRow take={take} />
            </TakeBoundary>
          </li>
        ))}
      </chakra.ul>
      {unlisted?.map((id) => (
        <DamagedTake key={id} id={id} />
      ))}
      {more && (
        <Button mt="16px" onClick={() => setLimit(limit + PAGE)}>
          {t('log.more')}
        </Button>
      )}
      <Bin />
    </Box>
  );
}

/** The note that a take is about, or the lowest and the highest where it is about several. */
function notesOf({ parameters, score }: TakeRecord): number[] {
  if ('writtenMidi' in parameters || 'middle' in parameters) return [mainNote(parameters)];
  const midis = score.steps.map((step) => step.soundedMidi);
  return [...new Set([Math.min(...midis), Math.max(...midis)])];
}

/** The day of a take in words; '' when its date is damaged. */
const day = (take: TakeRecord) => {
  const moment = new Date(take.startedAt);
  return isValid(moment) ? format(moment, 'EEEE, d MMMM yyyy') : '';
};

function TakeRow({ take }: { readonly take: TakeRecord }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const finding = take.verdict.findings[0];
  const { parameters } = take;
  const notes = notesOf(take);
  return (
    <Flex
      align="center"
      gap="18px"
      borderTopWidth="1px"
      borderColor="line"
      py="8px"
      position="relative"
      _hover={{ bg: 'channel' }}
    >
      <Box width="92px" flexShrink={0}>
        <chakra.span
          fontFamily="heading"
          fontSize={notes.length === 1 ? '1.7rem' : '1.05rem'}
          display="block"
          lineHeight={1.1}
        >
          {notes.map(nameOf).join('–')}
        </chakra.span>
        <chakra.span color="inkSoft" fontSize="0.85rem">
          {format(new Date(take.startedAt), 'HH:mm')}
        </chakra.span>
      </Box>
      <Box width="210px" flexShrink={0} hideBelow="md">
        <MiniRibbon take={take} />
      </Box>
      <Box flex="1 1 0" minWidth={0}>
        <chakra.span color="inkSoft" fontSize="0.9rem" display="block">
          {t(`instruments.${take.setup.instrumentId}`)} · {exerciseTitle(t, parameters, nameOf)} ·{' '}
          {exerciseMeta(t, parameters)}
        </chakra.span>
        {/* The link covers the row, so that the whole of it opens the take. */}
        <chakra.span
          css={{
            '& a': { textDecoration: 'none' },
            '& a::after': { content: '""', position: 'absolute', inset: 0, right: '110px' },
          }}
        >
          <Link
            to={`/take/${take.id}`}
            aria-label={t('log.open', { date: format(new Date(take.startedAt), 'd MMM HH:mm') })}
          >
            {finding && findingText(t, finding, take, nameOf)}
          </Link>
        </chakra.span>
        {take.note && (
          <chakra.span display="block" fontStyle="italic" fontSize="0.9rem" truncate>
            {take.note}
          </chakra.span>
        )}
      </Box>
      <chakra.span width="70px" textAlign="right" fontSize="0.95rem" hideBelow="md">
        {t(`log.decision.${take.verdict.decision}`)}
      </chakra.span>
      <Button tone="quiet" onClick={() => void deleteTake(take.id)}>
        {t('log.delete')}
      </Button>
    </Flex>
  );
}
