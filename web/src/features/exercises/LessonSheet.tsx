import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { fingeringOf, playable } from '@inner-hum/core/families';
import { routineBlocks, type SessionBlock } from '@inner-hum/core/lesson';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { noonOf } from '../../base/days';
import { useDay } from '../../shared/page/useDay';
import { Fingering } from '../../shared/exercise/Fingering';
import { Part } from '../../shared/exercise/Part';
import { useAppSelector } from '../../store';
import { useHorn } from '../../store/useHorn';
import { exerciseMeta, exerciseTitle } from '../../text/exerciseText';
import { formatDate, weekdayName } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { usedFingering } from '../../db/settings/horn';
import { Button } from '../../ui/controls';
import { useHeight } from '../../ui/useExtent';

/** What A4 and letter both hold inside the margins, CSS pixels. */
const PAPER_PX = { width: 700, height: 950 };
/** Set as wide as this on any screen, so that the paper's lines are those that are seen. */
const SHEET_PX = 960;

/** A routine on paper: the part of each block with how often, the rest and what to mind, on one page. */
export default function LessonSheet() {
  const { t } = useTranslation();
  const { place = '' } = useParams();
  const routine = useAppSelector((state) => state.settings.routines[Number(place)]);
  const horn = useHorn();
  const today = noonOf(useDay());
  const [sheet, height] = useHeight();
  const zoom = Math.min(PAPER_PX.width / SHEET_PX, PAPER_PX.height / Math.max(1, height));
  const blocks = useMemo(() => (routine ? routineBlocks(routine, horn.hornId) : []), [routine, horn]);
  if (!routine) return <p>{t('app.notFound')}</p>;
  const days = routine.days.map((day) => weekdayName(day, 'weekday'));
  return (
    <Box
      pb="40px"
      overflowX="auto"
      // A box whose size does not depend on what is in it is never broken over pages.
      css={{
        '@media print': { contain: 'size', overflow: 'hidden', height: `${Math.ceil(zoom * height)}px`, padding: 0 },
      }}
    >
      <Flex gap="12px" my="12px" align="center" _print={{ display: 'none' }}>
        <Button tone="strong" onClick={() => window.print()}>
          {t('sheet.print')}
        </Button>
        <Link to="/exercises">{t('exercise.title')}</Link>
      </Flex>
      <Box
        ref={sheet}
        width={`${SHEET_PX}px`}
        css={{ '@media print': { transform: `scale(${zoom})`, transformOrigin: '0 0' } }}
      >
        <chakra.h1 fontFamily="heading" fontSize="title" fontWeight={600}>
          {routine.name}
        </chakra.h1>
        <chakra.p color="inkSoft">
          {[
            t(`instruments.${horn.id}`),
            routine.from && t('routines.from', { name: routine.from }),
            days.join(', '),
            formatDate(today, 'long'),
          ]
            .filter(Boolean)
            .join(' · ')}
        </chakra.p>
        {routine.remark && <p>{routine.remark}</p>}
        <Grid templateColumns="1fr 1fr" gap="32px" mt="14px">
          {[0, 1].map((column) => (
            <chakra.ol key={column} listStyleType="none">
              {blocks.map((block, i) => i % 2 === column && <SheetBlock key={i} number={i + 1} block={block} />)}
            </chakra.ol>
          ))}
        </Grid>
      </Box>
    </Box>
  );
}

function SheetBlock({ number, block }: { readonly number: number; readonly block: SessionBlock }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const settings = useAppSelector((state) => state.settings);
  const { exercise, tries, restS, remark, leftS } = block;
  const { score } = playable(exercise);
  const keys = fingeringOf(score.steps[0]!, exercise, (midi) => usedFingering(settings, midi));
  return (
    <chakra.li borderTopWidth="1px" borderColor="ink" pt="6px" mb="14px">
      <Flex justify="space-between" gap="12px" align="flex-start">
        <Box>
          <chakra.h2 fontWeight={600}>
            {number}. {exerciseTitle(t, exercise, nameOf)}
          </chakra.h2>
          <chakra.p fontSize="small" color="inkSoft">
            {[
              exerciseMeta(t, exercise),
              leftS ? t('today.minutesOf', { minutes: Math.round(leftS / 60) }) : t('today.tries', { count: tries }),
              t('routines.restOf', { seconds: restS }),
            ].join(' · ')}
          </chakra.p>
          {remark && <chakra.p fontSize="small">{remark}</chakra.p>}
        </Box>
        {keys && <Fingering instrumentId={exercise.instrumentId} keys={keys} width="150px" />}
      </Flex>
      <Part score={score} exercise={exercise} />
    </chakra.li>
  );
}
