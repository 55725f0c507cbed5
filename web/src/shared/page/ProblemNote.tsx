import { chakra, Flex } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { problemMet } from '../../store/practice';
import { AlertPanel } from '../../ui/AlertPanel';
import { Button } from '../../ui/controls';

/** What is wrong with the sound, in one sentence, and the ways on. */
export function ProblemNote({ onRetry }: { readonly onRetry: () => void }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const problem = useAppSelector((state) => state.practice.problem);
  if (!problem) return null;
  return (
    <AlertPanel>
      <chakra.p fontFamily="heading" fontSize="section" mb="4px">
        {t(`problems.${problem}.title`)}
      </chakra.p>
      <chakra.p mb="14px">{t(`problems.${problem}.help`)}</chakra.p>
      <Flex gap="10px" wrap="wrap">
        <Button tone="strong" onClick={onRetry}>
          {t('problems.retry')}
        </Button>
        <Button
          onClick={() => {
            dispatch(settingsChanged({ source: 'standIn' }));
            dispatch(problemMet(null));
          }}
        >
          {t('problems.useStandIn')}
        </Button>
        <Button onClick={() => void navigate('/set-up')}>{t('problems.toSetUp')}</Button>
        <Button tone="quiet" onClick={() => dispatch(problemMet(null))}>
          {t('problems.dismiss')}
        </Button>
      </Flex>
    </AlertPanel>
  );
}
