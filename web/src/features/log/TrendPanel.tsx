import { Box, chakra, Flex } from '@chakra-ui/react';
import { milestones, QUANTITIES, trend, type Digest, type Quantity } from '@inner-hum/core/plan';
import { format } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { findDigests, type TakeFilter } from '../../db/search';
import { Choice } from '../../shared/controls';
import { SectionTitle } from '../../shared/PageTitle';
import { useNoteName } from '../../shared/useNoteName';

const loadChart = () => import('../../shared/TrendChart');
const TrendChart = lazy(loadChart);
/** The chart's package is fetched while the list is read, so that the trend opens at once. */
export const prepareTrend = () => void loadChart();
/** A trend looks at so many of the newest takes that fit. */
const MOST = 600;
const SHOWN = 8;
const UNITS: Readonly<Record<Quantity, readonly ['cents' | 'ms' | 'db' | 'partials', number]>> = {
  pitchCentreCents: ['cents', 1],
  pitchSteadinessCents: ['cents', 1],
  responseS: ['ms', 1000],
  softestDb: ['db', 1],
  breathRatioDb: ['db', 1],
  centroidPartials: ['partials', 1],
  rangeDb: ['db', 1],
  levelAgainstPlanDb: ['db', 1],
  pitchAgainstLevelCents: ['cents', 1],
};

/** A quantity day by day over the takes that fit the filter, and the firsts among them. */
export function TrendPanel({ filter }: { readonly filter: TakeFilter }) {
  const { t } = useTranslation();
  const key = JSON.stringify(filter);
  const digests = useLiveQuery(() => findDigests(JSON.parse(key) as TakeFilter, MOST), [key]);
  const [quantity, choose] = useState<Quantity>('pitchSteadinessCents');
  const noteTag = filter.tags.find((tag) => tag.startsWith('note:'));
  const days = useMemo(
    () => trend(digests ?? [], quantity, (one) => noteTag === undefined || `note:${one.midi}` === noteTag),
    [digests, quantity, noteTag],
  );
  const [unit, factor] = UNITS[quantity];
  return (
    <Box>
      <Flex align="flex-end" gap="14px" mb="6px">
        <Choice
          label={t('log.trend')}
          value={quantity}
          options={QUANTITIES}
          textOf={(one) => t(`log.quantities.${one}`)}
          onChange={choose}
        />
      </Flex>
      {digests && days.length === 0 && <p>{t('log.noTrend')}</p>}
      {days.length > 0 && (
        <Suspense fallback={<Box height="240px" />}>
          <TrendChart
            days={days}
            factor={factor}
            unit={t(`measures.units.${unit}`)}
            label={t('log.trendOf', { quantity: t(`log.quantities.${quantity}`) })}
          />
        </Suspense>
      )}
      {digests && <Firsts digests={digests} />}
    </Box>
  );
}

function Firsts({ digests }: { readonly digests: readonly Digest[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const firsts = useMemo(() => milestones(digests).slice(0, SHOWN), [digests]);
  if (firsts.length === 0) return null;
  return (
    <Box mt="14px">
      <SectionTitle>{t('log.firsts')}</SectionTitle>
      <chakra.ul listStyleType="none">
        {firsts.map((one) => (
          <chakra.li key={JSON.stringify(one)} py="2px">
            <chakra.span color="inkSoft" mr="10px">
              {format(new Date(`${one.day}T12:00`), 'd MMM')}
            </chakra.span>
            <Link to={`/take/${one.takeId}`}>
              {t(`log.first.${one.kind}`, {
                note: nameOf(one.midi),
                seconds: 'seconds' in one ? one.seconds : 0,
                partial: 'partial' in one ? one.partial : 0,
              })}
            </Link>
          </chakra.li>
        ))}
      </chakra.ul>
    </Box>
  );
}
