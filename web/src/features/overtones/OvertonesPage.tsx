import { Box } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { Route, Routes } from 'react-router';
import { PageTitle, ViewLinks } from '../../ui/PageTitle';
import { NotFound } from '../../shared/page/NotFound';
import { LatticeView } from './LatticeView';
import { Notebook } from './Notebook';
import { RoutePlanner } from './RoutePlanner';

/** Overtones: what this player can sound from which tube, ways through a phrase, and the altissimo notebook. */
export default function OvertonesPage() {
  const { t } = useTranslation();
  return (
    <Box maxWidth="84rem" pb="40px">
      <PageTitle title={t('overtones.title')} intro={t('overtones.intro')} />
      <ViewLinks
        label={t('overtones.title')}
        views={[
          ['/overtones', t('overtones.views.lattice')],
          ['/overtones/route', t('overtones.views.route')],
          ['/overtones/notebook', t('overtones.views.notebook')],
        ]}
      />
      <Routes>
        <Route index element={<LatticeView />} />
        <Route path="route" element={<RoutePlanner />} />
        <Route path="notebook" element={<Notebook />} />
        <Route path="*" element={<NotFound />} />
      </Routes>
    </Box>
  );
}
