import { Suspense } from 'react';
import { useTranslation } from 'react-i18next';
import { hasTakes } from '../../db/takes';
import { useKept } from '../../shared/stored/useKept';
import { useDay } from '../../shared/page/useDay';
import { useAppSelector } from '../../store';
import { asksForDemo } from '../../store/demo';
import { withAllWords } from '../../text/i18n';
import { late } from '../../ui/late';
import { Welcome } from './Welcome';

const Today = late(() => withAllWords(import('./Today')));

/** The first minute for who is new here, today's practice for everybody else. */
export default function TodayPage() {
  const { t } = useTranslation();
  const welcomedOn = useAppSelector((state) => state.settings.welcomedOn);
  const day = useDay();
  const before = useAppSelector((state) => state.notices.playedBefore);
  const played = useKept('has takes', '', hasTakes) ?? before;
  if (played === undefined || (!played && asksForDemo())) return <p>{t('app.loading')}</p>;
  if (!played && welcomedOn === '') return <Welcome />;
  return (
    <Suspense fallback={<p>{t('app.loading')}</p>}>
      {/* Another day is another plan: nothing of yesterday's is left standing. */}
      <Today key={day} />
    </Suspense>
  );
}
