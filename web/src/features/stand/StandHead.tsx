import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import type { Step } from '@inner-hum/core/exercise';
import { fingeringOf, ownExerciseKey } from '@inner-hum/core/families';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usedFingering } from '../../db/settings/horn';
import { Fingering } from '../../shared/exercise/Fingering';
import { useAppSelector } from '../../store';
import { exerciseOf, scoreOf } from '../../store/settings';
import { useLiveHead } from './useLiveHead';

/** Letters that are read from two metres. */
const LETTER = {
  fontFamily: 'heading',
  fontWeight: 500,
  fontSize: { base: 'letterSmall', md: 'letter' },
  lineHeight: 1,
  whiteSpace: 'nowrap',
  // The plate that a system puts behind letters would hide what stands above such large ones.
  forcedColorAdjust: 'none',
} as const;
/** What is needed in play: 40 px and more where there is room for it. */
const READ_SIZE = { base: 'section', md: 'stand' } as const;

/** The fingering that is due, and the one after it where that is another. */
const NOW_WIDTH = { base: '150px', lg: '180px' };
const NEXT_WIDTH = { base: '100px', lg: '110px' };

/** The note, the dynamics, the beat: what must be readable from two metres. */
export function StandHead() {
  const { t } = useTranslation();
  const { phase, decisions, decisionsAbout } = useAppSelector((state) => state.practice);
  const settings = useAppSelector((state) => state.settings);
  const exercise = exerciseOf(settings);
  const tries = decisionsAbout === ownExerciseKey(exercise) ? decisions.length : 0;
  const [at, setAt] = useState(0);
  const running = ['countIn', 'waiting', 'running', 'free'].includes(phase);
  const { number, sounding, note, dynamics, cents, next, start } = useLiveHead(running, setAt);
  return (
    <Grid
      templateAreas={{ base: '"note beat" "words words" "keys keys"', md: '"note words keys beat"' }}
      templateColumns={{ base: '1fr auto', md: 'auto minmax(0, 1fr) auto auto' }}
      alignItems="center"
      columnGap={{ base: '14px', md: '28px' }}
      rowGap="4px"
      minHeight={{ base: '88px', md: '136px' }}
      flex="none"
    >
      <chakra.span ref={note} gridArea="note" {...LETTER} data-testid="note" />
      <Box gridArea="words" minWidth={0} lineHeight={1.15}>
        <chakra.span display="block" fontSize={READ_SIZE} fontFamily="heading" fontStyle="italic">
          <span ref={dynamics} />
          <chakra.span ref={start} fontStyle="normal" fontFamily="body" ml="22px" data-testid="step-start" />
        </chakra.span>
        {tries > 0 && !running && (
          <chakra.span float="right" color="inkSoft" ml="22px" data-testid="tries">
            {t('stand.tries', { number: phase === 'verdict' ? tries : tries + 1 })}
          </chakra.span>
        )}
        <chakra.span ref={next} display="block" fontSize={READ_SIZE} color="inkSoft" data-testid="next" />
        <chakra.span
          ref={cents}
          fontSize={READ_SIZE}
          color="inkSoft"
          minHeight="1.15em"
          display="inline-block"
          mr="22px"
          data-testid="cents"
        />
        <chakra.span ref={sounding} fontSize={READ_SIZE} display="inline-block" data-testid="sounding" />
      </Box>
      <Fingerings at={at} />
      <chakra.span
        ref={number}
        aria-hidden
        gridArea="beat"
        {...LETTER}
        color={phase === 'countIn' ? 'inkSoft' : 'accent'}
        minWidth="1.2em"
        textAlign="right"
        data-testid="beat"
      />
    </Grid>
  );
}

/** The fingering of the step that sounds or comes next, and the one after it where that is another. */
function Fingerings({ at }: { readonly at: number }) {
  const { t } = useTranslation();
  const phase = useAppSelector((state) => state.practice.phase);
  const settings = useAppSelector((state) => state.settings);
  const exercise = exerciseOf(settings);
  const { steps } = scoreOf(settings);
  const keysOf = (step: Step | undefined) =>
    phase === 'free' || !step ? undefined : fingeringOf(step, exercise, (midi) => usedFingering(settings, midi));
  const keys = keysOf(steps[Math.min(at, steps.length - 1)]);
  const nextKeys = keysOf(steps[at + 1]);
  const nextDiffers = nextKeys !== undefined && String(nextKeys) !== String(keys);
  return (
    <Flex
      gridArea="keys"
      direction={{ base: 'row', md: 'column' }}
      align="center"
      gap={{ base: '18px', md: '4px' }}
      data-testid="fingerings"
    >
      {keys && <Fingering instrumentId={exercise.instrumentId} keys={keys} width={NOW_WIDTH} />}
      {nextDiffers && (
        <Flex align="center" gap="8px" color="inkSoft" fontSize="small">
          {t('stand.then')}
          <Fingering instrumentId={exercise.instrumentId} keys={nextKeys} width={NEXT_WIDTH} label={t('stand.then')} />
        </Flex>
      )}
    </Flex>
  );
}
