import { Box, chakra, Grid } from '@chakra-ui/react';
import { useEffect, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useLocation } from 'react-router';
import { ProblemNote } from '../../shared/page/ProblemNote';
import { useAppDispatch } from '../../store';
import { problemMet } from '../../store/practice';
import { GearList } from './GearList';
import { HornAndTuning } from './HornAndTuning';
import { InstallPart } from './InstallPart';
import { LicenceList } from './LicenceList';
import { LevelCheck } from './LevelCheck';
import { LoopCheck } from './LoopCheck';
import { RulerCheck } from './RulerCheck';
import { SetAsideList } from './SetAsideList';
import { SchoolChoices } from './SchoolChoices';
import { SoundSource } from './SoundSource';
import { TuneUpCheck } from './TuneUpCheck';

/** Set-up: the horn, the names, the demand, and where the sound comes from. Changes hold at once. */
export default function SetUpPage() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { hash } = useLocation();
  useEffect(() => {
    if (hash) document.getElementById(hash.slice(1))?.scrollIntoView();
  }, [hash]);
  return (
    <Box maxWidth="76rem" pb="40px">
      <chakra.h1 fontFamily="heading" fontSize="place" fontWeight={500} mt="14px" mb="6px">
        {t('setUp.title')}
      </chakra.h1>
      <ProblemNote onRetry={() => dispatch(problemMet(null))} />
      <Grid templateColumns={{ base: '1fr', lg: '1fr 1fr' }} columnGap="56px" rowGap="30px" alignItems="start">
        <Column>
          <Part title={t('setUp.hornAndTuning')}>
            <HornAndTuning />
          </Part>
          <Part title={t('gear.title')} id="gear">
            <GearList />
          </Part>
          <Part title={t('schools.title')} id="schools">
            <SchoolChoices />
          </Part>
        </Column>
        <Column>
          <Part title={t('setUp.sound')}>
            <SoundSource />
          </Part>
          <Part title={t('setUp.check')}>
            <LevelCheck />
          </Part>
          <Part title={t('setUp.tuneUp')} id="tune-up">
            <TuneUpCheck />
          </Part>
          <Part title={t('setUp.ruler')} id="ruler">
            <RulerCheck />
          </Part>
          <Part title={t('setUp.loop')} id="loop">
            <LoopCheck />
          </Part>
          <Part title={t('setUp.onDevice')}>
            <InstallPart />
          </Part>
        </Column>
      </Grid>
      <SetAsideList />
      <LicenceList />
    </Box>
  );
}

function Column({ children }: { readonly children: ReactNode }) {
  return (
    <chakra.div display="flex" flexDirection="column" gap="30px" minWidth={0}>
      {children}
    </chakra.div>
  );
}

function Part({ title, id, children }: { readonly title: string; readonly id?: string; readonly children: ReactNode }) {
  return (
    <chakra.section id={id} borderTopWidth="2px" borderColor="ink" pt="12px">
      <chakra.h2 fontFamily="heading" fontSize="section" fontWeight={600} mb="10px">
        {title}
      </chakra.h2>
      <chakra.div display="flex" flexDirection="column" gap="12px">
        {children}
      </chakra.div>
    </chakra.section>
  );
}
