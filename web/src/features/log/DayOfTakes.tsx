import { Box, chakra, Flex } from '@chakra-ui/react';
import { bestTake, weakestTake, type Digest } from '@inner-hum/core/history';
import type { TakeRecord } from '@inner-hum/core/take';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useId, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { noonOf } from '../../base/days';
import { MiniRibbon } from '../../ribbon/MiniRibbon';
import { TakeBoundary } from '../../shared/page/Boundary';
import { mainNote } from '../../store/settings';
import { deleteTake } from '../../store/undo';
import { exerciseMeta, exerciseTitle } from '../../text/exerciseText';
import { findingText } from '../../text/findingText';
import { useNoteName } from '../../text/useNoteName';
import { Button } from '../../ui/controls';
import { formatDate } from '../../text/format';
import { tableText } from '../../text/tableText';

/** So many exercises of a day are named before it is opened. */
const NAMED = 5;

/**
 * A day's practice: minutes, what was worked on, and in it its takes, the best and the one with most to do marked.
 *
 * @param digests all takes of the day that fit, also those that are not listed yet
 */
export function DayOfTakes({
  day,
  takes,
  digests,
  opened,
}: {
  /** yyyy-mm-dd; '' when damaged */
  readonly day: string;
  readonly takes: readonly TakeRecord[];
  readonly digests: readonly Digest[];
  readonly opened: boolean;
}) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(opened);
  const id = useId();
  const minutes = Math.max(1, Math.round(digests.reduce((sum, digest) => sum + digest.lastsS, 0) / 60));
  const families = [...new Set(digests.map((digest) => digest.family))];
  const weakest = weakestTake(digests)?.takeId;
  const best = digests.length > 1 ? bestTake(digests)?.takeId : undefined;
  const markOf = ({ id: takeId }: TakeRecord) =>
    takeId === best ? 'best' : takeId === weakest ? 'weakest' : undefined;
  return (
    <chakra.section mt="10px">
      <chakra.h2>
        <chakra.button
          aria-expanded={open}
          aria-controls={id}
          onClick={() => setOpen(!open)}
          display="flex"
          alignItems="baseline"
          flexWrap="wrap"
          columnGap="12px"
          width="100%"
          minHeight="44px"
          py="6px"
          textAlign="left"
          cursor="pointer"
          borderTopWidth="2px"
          borderColor="ink"
        >
          <chakra.span alignSelf="center" color="inkSoft">
            {open ? <ChevronDown size={18} aria-hidden /> : <ChevronRight size={18} aria-hidden />}
          </chakra.span>
          <chakra.span fontFamily="heading" fontSize="lead" fontWeight={600}>
            {day && formatDate(noonOf(day), 'weekdayAndYear')}
          </chakra.span>
          {digests.length > 0 && (
            <chakra.span color="inkSoft" fontSize="small">
              {t('log.takes', { count: digests.length })} · {t('today.minutesOf', { minutes })} ·{' '}
              {families
                .slice(0, NAMED)
                .map((family) => tableText(t, `families.${family}.name`))
                .join(', ')}
              {families.length > NAMED && ' …'}
            </chakra.span>
          )}
        </chakra.button>
      </chakra.h2>
      <chakra.ul id={id} listStyleType="none" hidden={!open}>
        {open &&
          takes.map((take) => (
            <li key={take.id}>
              <TakeBoundary id={take.id}>
                <TakeRow take={take} mark={markOf(take)} />
              </TakeBoundary>
            </li>
          ))}
      </chakra.ul>
    </chakra.section>
  );
}

/** The note that a take is about, or the lowest and the highest where it is about several. */
function notesOf({ parameters, score }: TakeRecord): number[] {
  if ('writtenMidi' in parameters || 'middle' in parameters) return [mainNote(parameters)];
  const midis = score.steps.map((step) => step.soundedMidi);
  return [...new Set([Math.min(...midis), Math.max(...midis)])];
}

function TakeRow({ take, mark }: { readonly take: TakeRecord; readonly mark: 'best' | 'weakest' | undefined }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const finding = take.verdict.findings[0];
  const { parameters } = take;
  const notes = notesOf(take);
  return (
    <Flex
      align="center"
      gap={{ base: '8px', lg: '18px' }}
      flexWrap={{ base: 'wrap', lg: 'nowrap' }}
      borderTopWidth="1px"
      borderColor="line"
      py="8px"
      position="relative"
      _hover={{ bg: 'channel' }}
    >
      <Box width="92px" flexShrink={0}>
        <chakra.span
          fontFamily="heading"
          fontSize={notes.length === 1 ? 'title' : 'body'}
          display="block"
          lineHeight={1.1}
        >
          {notes.map(nameOf).join('–')}
        </chakra.span>
        <chakra.span color="inkSoft" fontSize="small">
          {formatDate(new Date(take.startedAt), 'time')}
        </chakra.span>
      </Box>
      <Box width={{ base: '100%', lg: '210px' }} flexShrink={0} order={{ base: 1, lg: 0 }}>
        <MiniRibbon take={take} />
      </Box>
      <Box flex="1 1 0" minWidth={0}>
        <chakra.span color="inkSoft" fontSize="small" display="block">
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
            aria-label={t('log.open', { date: formatDate(new Date(take.startedAt), 'moment') })}
          >
            {finding && findingText(t, finding, take, nameOf)}
          </Link>
        </chakra.span>
        {take.note && (
          <chakra.span display="block" fontStyle="italic" fontSize="small" truncate>
            {take.note}
          </chakra.span>
        )}
        {take.remarks?.map(({ beat, text, from }) => (
          <chakra.span key={`${beat} ${text} ${from}`} display="block" fontSize="small" fontWeight={600} truncate>
            {from ? t('take.remarkBy', { name: from, beat }) : t('take.remark', { beat })} {text}
          </chakra.span>
        ))}
      </Box>
      <chakra.span width="110px" textAlign="right" fontSize="small" hideBelow="md">
        {mark && (
          <chakra.span display="block" fontWeight={600}>
            {t(`log.mark.${mark}`)}
          </chakra.span>
        )}
        {t(`log.decision.${take.verdict.decision}`)}
      </chakra.span>
      <Button tone="quiet" fontSize="small" color="inkSoft" onClick={() => void deleteTake(take.id)}>
        {t('log.delete')}
      </Button>
    </Flex>
  );
}
