import { Box, chakra, Flex } from '@chakra-ui/react';
import { usualExercise, familyById } from '@inner-hum/core/families';
import { exerciseFor, exerciseForSeam } from '@inner-hum/core/lesson';
import { type Need, type Seam } from '@inner-hum/core/map';
import { QUANTITY_ROWS } from '@inner-hum/core/measure';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { exerciseTitle } from '../../text/exerciseText';
import { formatNumber, formatSigned } from '../../text/format';
import { needText } from '../../text/needText';
import { SectionTitle } from '../../ui/PageTitle';
import { useNoteName } from '../../text/useNoteName';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useHorn } from '../../store/useHorn';

/** The worst seam, the weakest note and the survey: each leads to the exercise that works on it. */
export function WhatNext({
  seam,
  need,
  empty,
}: {
  readonly seam: Seam | undefined;
  readonly need: Need | undefined;
  readonly empty: boolean;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const open = useOpenExercise();
  const { hornId } = useHorn();
  const survey = usualExercise(familyById('survey'), hornId);
  return (
    <Box borderTopWidth="2px" borderColor="ink" pt="10px" mt="16px">
      <SectionTitle>{t('horn.next')}</SectionTitle>
      {empty && <chakra.p mb="8px">{t('horn.empty')}</chakra.p>}
      {seam && (
        <Suggestion
          text={t(`horn.seams.${seam.quantity}`, {
            lower: nameOf(seam.lower),
            upper: nameOf(seam.upper),
            step: formatSigned(seam.step * QUANTITY_ROWS[seam.quantity].factor, QUANTITY_ROWS[seam.quantity].digits),
            z: formatNumber(seam.z, 1),
          })}
          action={exerciseTitle(t, exerciseForSeam(seam, hornId), nameOf)}
          onOpen={() => open(exerciseForSeam(seam, hornId))}
        />
      )}
      {need && !empty && (
        <Suggestion
          text={needText(t, nameOf, need)}
          action={exerciseTitle(t, exerciseFor(need, hornId), nameOf)}
          onOpen={() => open(exerciseFor(need, hornId))}
        />
      )}
      <Flex gap="8px" wrap="wrap" mt="10px">
        {(['nine', 'low', 'middle', 'palm'] as const).map((part) => (
          <Button
            key={part}
            tone={empty && part === 'nine' ? 'strong' : 'plain'}
            onClick={() => open({ ...survey, part })}
          >
            {t(`horn.survey.${part}`)}
          </Button>
        ))}
      </Flex>
    </Box>
  );
}

function Suggestion({
  text,
  action,
  onOpen,
}: {
  readonly text: string;
  readonly action: string;
  readonly onOpen: () => void;
}) {
  return (
    <Box mb="10px">
      <p>{text}</p>
      <Button mt="4px" onClick={onOpen}>
        {action}
      </Button>
    </Box>
  );
}
