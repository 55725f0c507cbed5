import { Box, chakra, Flex } from '@chakra-ui/react';
import { fingeringOf, ownExerciseKey } from '@inner-hum/core/families';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usedFingering } from '../../db/settings/horn';
import { Fingering } from '../../shared/exercise/Fingering';
import { useAppSelector } from '../../store';
import { exerciseOf, scoreOf } from '../../store/settings';
import { useLiveHead } from './useLiveHead';

const LETTER_SIZE = { base: 'letterSmall', md: 'letter' } as const;
/** What is needed in play: 40 px and more where there is room for it. */
const READ_SIZE = { base: 'section', md: 'stand' } as const;

/** The note, the dynamics, the beat: what must be readable from two metres. */
export function StandHead() {
  const { t } = useTranslation();
  const { phase, decisions, decisionsAbout } = useAppSelector((state) => state.practice);
  const settings = useAppSelector((state) => state.settings);
  const exercise = exerciseOf(settings);
  const score = scoreOf(settings);
  const tries = decisionsAbout === ownExerciseKey(exercise) ? decisions.length : 0;
  const [fingered, setFingered] = useState(score.steps[0]!);
  const keys = phase === 'free' ? undefined : fingeringOf(fingered, exercise, (midi) => usedFingering(settings, midi));
  const running = ['countIn', 'waiting', 'running', 'free'].includes(phase);
  const { number, sounding, note, dynamics, cents, next, start } = useLiveHead(running, setFingered);
  return (
    <Flex align="center" justify="space-between" gap="24px" minHeight={{ base: '88px', md: '136px' }} flex="none">
      <Flex align="center" gap={{ base: '14px', md: '28px' }} minWidth={0}>
        <chakra.span
          ref={note}
          fontFamily="heading"
          fontWeight={500}
          fontSize={LETTER_SIZE}
          lineHeight={1}
          // The plate that a system puts behind letters would hide what stands above such large ones.
          forcedColorAdjust="none"
          data-testid="note"
        />
        <Box minWidth={0} lineHeight={1.15}>
          <chakra.span display="block" fontSize={READ_SIZE} fontFamily="heading" fontStyle="italic">
            <span ref={dynamics} />
            <chakra.span ref={next} fontStyle="normal" color="inkSoft" ml="22px" data-testid="next" />
          </chakra.span>
          {tries > 0 && !running && (
            <chakra.span float="right" color="inkSoft" ml="22px" data-testid="tries">
              {t('stand.tries', { number: phase === 'verdict' ? tries : tries + 1 })}
            </chakra.span>
          )}
          <chakra.span
            ref={cents}
            fontSize={READ_SIZE}
            color="inkSoft"
            minHeight="1.15em"
            display="inline-block"
            mr="22px"
            data-testid="cents"
          />
          <chakra.span ref={start} fontSize={READ_SIZE} display="inline-block" mr="22px" data-testid="step-start" />
          <chakra.span ref={sounding} fontSize={READ_SIZE} display="inline-block" data-testid="sounding" />
        </Box>
      </Flex>
      <Box hideBelow="lg" pb="6px">
        {keys && <Fingering instrumentId={exercise.instrumentId} keys={keys} />}
      </Box>
      <Flex align="baseline" gap="14px" aria-hidden>
        <chakra.span
          ref={number}
          fontFamily="heading"
          fontWeight={500}
          fontSize={LETTER_SIZE}
          lineHeight={1}
          // The plate that a system puts behind letters would hide what stands above such large ones.
          forcedColorAdjust="none"
          color={phase === 'countIn' ? 'inkSoft' : 'accent'}
          minWidth="1.2em"
          textAlign="right"
          data-testid="beat"
        />
      </Flex>
    </Flex>
  );
}
