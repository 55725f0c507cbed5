import { Box, chakra, Flex } from '@chakra-ui/react';
import { isFree } from '@inner-hum/core/families';
import type { TakeRecord } from '@inner-hum/core/take';
import { useEffect, useMemo, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { MiniRibbon } from '../../ribbon/MiniRibbon';
import { useHear } from '../../shared/take/useHear';
import { useSpoken } from '../../shared/page/useSpoken';
import { VerdictText } from '../../shared/take/VerdictText';
import { useAppSelector } from '../../store';
import { evidenceMarks } from '../../text/evidenceText';
import { exerciseTitle } from '../../text/exerciseText';
import { decisionText, findingText, nextText } from '../../text/findingText';
import { useNoteName } from '../../text/useNoteName';
import { arrive } from '../../ui/motion';
import { Button, Key } from '../../ui/controls';
import { useKeyDown } from '../../ui/useKeyDown';
import { EdgeLine } from './EdgeLine';
import { FreeAccount } from './FreeAccount';
import type { StandActions } from './useStandKeys';

/** Places of so many sentences are marked on the ribbon: more would hide it. */
const MARKED = 2;

/** A take's verdict on the Stand: its ribbon, what was found, what comes next. */
export function VerdictPanel({ takeId, actions }: { readonly takeId: string; readonly actions: StandActions }) {
  const { t, i18n } = useTranslation();
  const take = useAppSelector((state) => state.practice.last)!;
  const goingOn = useAppSelector(({ practice }) => practice.pause?.before === 'next' && practice.block === null);
  const panel = useRef<HTMLElement>(null);
  useEffect(() => {
    panel.current?.focus();
    if (panel.current) arrive(panel.current);
  }, [takeId]);
  const nameOf = useNoteName();
  const spoken = useAppSelector((state) => state.settings.spoken);
  const [worst] = take.verdict.findings;
  const said = [
    worst && findingText(t, worst, take, nameOf),
    decisionText(t, take.verdict),
    take.verdict.next.change !== 'none' && nextText(t, take.verdict, take, nameOf),
  ];
  useSpoken(spoken ? said.filter(Boolean).join(' ') : undefined, i18n.language);
  const hornGoesOn = useAppSelector(({ settings }) => settings.hornGoesOn && settings.source === 'microphone');
  const { hear, hearEvened, sounding } = useHear(takeId);
  useKeyDown('input, textarea, select, dialog', (event) => {
    if (event.key.toLowerCase() === 'e' && !event.ctrlKey && !event.metaKey && !event.altKey) hearEvened();
  });
  const marks = useMemo(() => evidenceMarks(t, take, MARKED), [t, take]);
  const free = isFree(take.parameters);
  return (
    <chakra.section
      ref={panel}
      tabIndex={-1}
      outline="none"
      data-testid="verdict"
      display="flex"
      flexDirection="column"
      width="100%"
    >
      <chakra.h2 fontFamily="heading" fontSize="section" fontWeight={500} mb="4px">
        {exerciseTitle(t, take.parameters, nameOf)}
      </chakra.h2>
      {/* What the sentences leave of the window is the picture's. */}
      <Box position="relative" flex="1 0 auto" height="max(290px, 36vh)" maxHeight="max(290px, 62vh)">
        <Box position="absolute" inset={0}>
          <MiniRibbon take={take} height="100%" textPx={18} marks={marks} />
        </Box>
      </Box>
      <Box mt="14px" maxWidth="72rem">
        <VerdictText take={take} large onHear={hear} sounding={sounding} />
        {!free && <EdgeLine take={take} />}
        {free && <FreeAccount take={take} />}
      </Box>
      {hornGoesOn && !free && (
        <chakra.p role="status" mt="12px" fontSize="lead">
          {t('stand.hornListens')}
        </chakra.p>
      )}
      {goingOn && (
        <chakra.p role="status" mt="12px" fontSize="lead">
          {t('stand.goingOn')}
        </chakra.p>
      )}
      <WhatNext take={take} actions={actions} onEvened={hearEvened} />
    </chakra.section>
  );
}

/** What can be done after a verdict, the first of it strong. */
function WhatNext({
  take,
  actions,
  onEvened,
}: {
  readonly take: TakeRecord;
  readonly actions: StandActions;
  readonly onEvened: () => void;
}) {
  const { t } = useTranslation();
  const { decision, next } = take.verdict;
  const goesOn = decision !== 'leave' && next.change !== 'none';
  return (
    <Flex gap="12px" mt="18px" wrap="wrap" align="center">
      {goesOn && (
        <Button tone="strong" onClick={actions.next}>
          {t('verdict.next')} <Key>→</Key>
        </Button>
      )}
      {isFree(take.parameters) ? (
        <Button tone="strong" onClick={actions.free}>
          {t('stand.freeAgain')} <Key>F</Key>
        </Button>
      ) : (
        <>
          <Button tone={decision === 'leave' || goesOn ? 'plain' : 'strong'} onClick={actions.again}>
            {t('verdict.again')} <Key>R</Key>
          </Button>
          <Button tone="quiet" onClick={onEvened}>
            {t('take.sounds.evened')} <Key>E</Key>
          </Button>
        </>
      )}
      <Link to={`/take/${take.id}`}>{t('verdict.openTake')}</Link>
      <Link to="/guide#ribbon">{t('guide.read')}</Link>
    </Flex>
  );
}
