import { chakra } from '@chakra-ui/react';
import { slursOverBreak } from '@inner-hum/core/lesson';
import { subDays } from 'date-fns';
import { useTranslation } from 'react-i18next';
import { dayOf } from '../../base/days';
import { findDigests } from '../../db/search';
import { useKeyed } from '../../shared/stored/useKeyed';
import { useAppSelector } from '../../store';

const DAYS = 14;

/** How many slurs over the break broke of late, and before: a quiet count, no judgement. Nothing where there were none. */
export function OverBreak() {
  const { t } = useTranslation();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const since = (days: number) => dayOf(subDays(new Date(), days));
  const filter = { tags: [`size:${instrumentId}`], since: since(2 * DAYS) };
  const digests = useKeyed(`break ${JSON.stringify(filter)}`, () => findDigests(filter));
  const lately = slursOverBreak(digests?.filter(({ day }) => day >= since(DAYS)) ?? []);
  const before = slursOverBreak(digests?.filter(({ day }) => day < since(DAYS)) ?? []);
  if (lately.of === 0) return null;
  const recent = t('horn.overBreak', { broke: lately.broke, count: lately.of });
  return (
    <chakra.p color="inkSoft" mt="10px" data-testid="over-break">
      {before.of > 0 ? t('horn.overBreakBefore', { recent, broke: before.broke, of: before.of }) : `${recent}.`}
    </chakra.p>
  );
}
