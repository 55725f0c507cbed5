import { chakra, Flex } from '@chakra-ui/react';
import { LEVELS, type PlayerNow } from '@inner-hum/core/families';
import { firstRung } from '@inner-hum/core/map';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { startQueue } from '../../practice/flow';
import { climbQueue } from '../../practice/queue';
import { usePageSound } from '../../practice/usePageSound';
import { useAppSelector } from '../../store';
import { useHorn } from '../../store/useHorn';
import { Button } from '../../ui/controls';

/** A session of its own, hands free and without a clock: overtones from the one that is learnt next, as each is found. */
export function ClimbByEar({ frontier }: { readonly frontier: PlayerNow['frontier'] }) {
  const page = usePageSound();
  const { t } = useTranslation();
  const navigate = useNavigate();
  const { hornId } = useHorn();
  const level = useAppSelector((state) => state.settings.level) ?? LEVELS[0];
  const climb = () => {
    void navigate('/stand');
    void startQueue(page, climbQueue(firstRung(frontier, hornId), level)); // never rejects: problems go to the store
  };
  return (
    <Flex mb="14px" gap="14px" align="center" maxWidth="46rem" flexWrap={{ base: 'wrap', md: 'nowrap' }}>
      <Button tone="strong" onClick={climb} flex="none">
        {t('overtones.climb')}
      </Button>
      <chakra.span color="inkSoft">{t('overtones.climbWhy')}</chakra.span>
    </Flex>
  );
}
