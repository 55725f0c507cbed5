import { Box, chakra, Flex } from '@chakra-ui/react';
import { QUANTITY_ROWS } from '@inner-hum/core/measure';
import { QUANTITIES, type Milestone, type Quantity, type Trend as FoundTrend } from '@inner-hum/core/history';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { findFirsts, findTrend, type TakeFilter } from '../../db/search';
import { Button, Choice } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';
import { LogFilter } from './LogFilter';
import { loadTrendChart, TrendChartLater } from '../../ui/TrendChartLater';
import { useNoteName } from '../../text/useNoteName';
import { formatDate } from '../../text/format';

/** So long after the list the trend is made ready, milliseconds. */
const READY_AFTER_MS = 800;
const SHOWN = 8;
/**
 * What the list is looked through by, and the trend of what it shows: a quantity over time in the takes that fit the filter, and the firsts among them. It is
 * made ready while the list is read, so that it opens at once.
 */
export function FilterAndTrend({ filter }: { readonly filter: TakeFilter }) {
  const { t } = useTranslation();
  const key = JSON.stringify(filter);
  const [shown, show] = useState(false);
  const [ready, setReady] = useState(false);
  const [quantity, choose] = useState<Quantity>('pitchSteadinessCents');
  useEffect(() => {
    const idle = setTimeout(() => void loadTrendChart().then(() => setReady(true)), READY_AFTER_MS);
    return () => clearTimeout(idle);
  }, []);
  const wanted = ready || shown;
  const found = useLiveQuery(() => {
    const asked = JSON.parse(key) as TakeFilter;
    return wanted ? Promise.all([findTrend(quantity, asked), findFirsts(asked)]) : undefined;
  }, [wanted, quantity, key]);
  return (
    <>
      <LogFilter>
        <Button tone="quiet" aria-expanded={shown} onClick={() => show(!shown)}>
          {t(shown ? 'log.hideTrend' : 'log.showTrend')}
        </Button>
      </LogFilter>
      {shown && found && <TrendPanel quantity={quantity} trend={found[0]} firsts={found[1]} onChoose={choose} />}
    </>
  );
}

function TrendPanel({
  quantity,
  trend: { step, points },
  firsts,
  onChoose,
}: {
  readonly quantity: Quantity;
  readonly trend: FoundTrend;
  readonly firsts: readonly Milestone[];
  readonly onChoose: (quantity: Quantity) => void;
}) {
  const { t } = useTranslation();
  const { unit, factor } = QUANTITY_ROWS[quantity];
  return (
    <Box>
      <Flex align="flex-end" gap="14px" mt="8px" mb="6px">
        <Choice
          label={t('log.trend')}
          value={quantity}
          options={QUANTITIES}
          textOf={(choice) => t(`log.quantities.${choice}`)}
          onChange={onChoose}
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

function Firsts({ firsts }: { readonly firsts: readonly Milestone[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  if (firsts.length === 0) return null;
  return (
    <Box mt="14px">
      <SectionTitle>{t('log.firsts')}</SectionTitle>
      <chakra.ul listStyleType="none">
        {firsts.slice(0, SHOWN).map((first) => (
          <chakra.li key={first.key} py="2px">
            <chakra.span color="inkSoft" mr="10px">
              {formatDate(first.startedAtMs, 'dayOfYear')}
            </chakra.span>
            <Link to={`/take/${first.takeId}`}>
              {t(`log.first.${first.kind}`, {
                note: nameOf(first.midi),
                seconds: first.kind === 'held' ? first.seconds : 0,
                partial: first.kind === 'partial' ? first.partial : 0,
              })}
            </Link>
            <chakra.span color="inkSoft"> · {t(`instruments.${first.instrumentId}`)}</chakra.span>
          </chakra.li>
        ))}
      </chakra.ul>
    </Box>
  );
}
