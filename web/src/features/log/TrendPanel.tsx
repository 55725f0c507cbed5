import { Box, chakra, Flex } from '@chakra-ui/react';
import { QUANTITIES, type KeptFirst, type Quantity } from '@inner-hum/core/plan';
import { format } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { findFirsts, findTrend, type TakeFilter } from '../../db/search';
import { Button, Choice } from '../../shared/controls';
import { SectionTitle } from '../../shared/PageTitle';
import { loadTrendChart, TrendChartLater } from '../../shared/TrendChartLater';
import { useNoteName } from '../../shared/useNoteName';

/** The chart's package is fetched this long after the list, so that the trend opens at once, milliseconds. */
const FETCH_AFTER_MS = 800;
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

/** The trend of what the list shows, opened when asked for. */
export function Trend({ filter }: { readonly filter: TakeFilter }) {
  const { t } = useTranslation();
  const [shown, show] = useState(false);
  useEffect(() => {
    const idle = setTimeout(() => void loadTrendChart(), FETCH_AFTER_MS);
    return () => clearTimeout(idle);
  }, []);
  return (
    <>
      <Button tone="quiet" aria-expanded={shown} onClick={() => show(!shown)}>
        {t(shown ? 'log.hideTrend' : 'log.showTrend')}
      </Button>
      {shown && <TrendPanel filter={filter} />}
    </>
  );
}

/** A quantity over time in the takes that fit the filter, and the firsts among them. */
function TrendPanel({ filter }: { readonly filter: TakeFilter }) {
  const { t } = useTranslation();
  const key = JSON.stringify(filter);
  const [quantity, choose] = useState<Quantity>('pitchSteadinessCents');
  const shown = useLiveQuery(() => {
    const asked = JSON.parse(key) as TakeFilter;
    return Promise.all([findTrend(quantity, asked), findFirsts(asked)]);
  }, [quantity, key]);
  // All of it comes at once: a list that is moved twice is drawn twice.
  if (!shown) return null;
  const [{ step, points }, firsts] = shown;
  const [unit, factor] = UNITS[quantity];
  return (
    <Box>
      <Flex align="flex-end" gap="14px" mt="8px" mb="6px">
        <Choice
          label={t('log.trend')}
          value={quantity}
          options={QUANTITIES}
          textOf={(one) => t(`log.quantities.${one}`)}
          onChange={choose}
        />
        {points.length > 0 && <chakra.span color="inkSoft">{t(`log.pointOf.${step}`)}</chakra.span>}
      </Flex>
      {points.length === 0 && <p>{t('log.noTrend')}</p>}
      {points.length > 0 && (
        <TrendChartLater
          points={points}
          factor={factor}
          unit={t(`measures.units.${unit}`)}
          label={t('log.trendOf', { quantity: t(`log.quantities.${quantity}`) })}
        />
      )}
      <Firsts firsts={firsts} />
    </Box>
  );
}

function Firsts({ firsts }: { readonly firsts: readonly KeptFirst[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  if (firsts.length === 0) return null;
  return (
    <Box mt="14px">
      <SectionTitle>{t('log.firsts')}</SectionTitle>
      <chakra.ul listStyleType="none">
        {firsts.slice(0, SHOWN).map((one) => (
          <chakra.li key={one.key} py="2px">
            <chakra.span color="inkSoft" mr="10px">
              {format(one.startedAtMs, 'd MMM yyyy')}
            </chakra.span>
            <Link to={`/take/${one.takeId}`}>
              {t(`log.first.${one.kind}`, {
                note: nameOf(one.midi),
                seconds: one.kind === 'held' ? one.seconds : 0,
                partial: one.kind === 'partial' ? one.partial : 0,
              })}
            </Link>
            <chakra.span color="inkSoft"> · {t(`instruments.${one.instrumentId}`)}</chakra.span>
          </chakra.li>
        ))}
      </chakra.ul>
    </Box>
  );
}
