import { Box, chakra } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { Route, Routes } from 'react-router';
import { PageTitle, ViewLinks } from '../../ui/PageTitle';
import { NotFound } from '../../shared/page/NotFound';
import { useAppSelector } from '../../store';
import { CompareView } from './CompareView';
import { ExperimentPage } from './ExperimentPage';
import { LeakView } from './LeakView';
import { MapView } from './MapView';
import { NotePage } from './NotePage';
import { TendencySheet } from './TendencySheet';

/** Horn: the map of every note soft, medium and loud, and what can be told from it. */
export default function HornPage() {
  const { t } = useTranslation();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  return (
    <Box maxWidth="84rem" pb="40px">
      <Box _print={{ display: 'none' }}>
        <PageTitle title={t('horn.title')}>
          <chakra.span color="inkSoft">{t(`instruments.${instrumentId}`)}</chakra.span>
        </PageTitle>
        <ViewLinks
          label={t('horn.title')}
          views={[
            ['/horn', t('horn.views.map')],
            ['/horn/compare', t('horn.views.compare')],
            ['/horn/sheet', t('horn.views.sheet')],
            ['/horn/leak', t('horn.views.leak')],
          ]}
        />
      </Box>
      <Routes>
        <Route index element={<MapView />} />
        <Route path="note/:midi" element={<NotePage />} />
        <Route path="compare" element={<CompareView />} />
        <Route path="compare/:id" element={<ExperimentPage />} />
        <Route path="sheet" element={<TendencySheet />} />
        <Route path="leak" element={<LeakView />} />
        <Route path="*" element={<NotFound />} />
      </Routes>
    </Box>
  );
}
