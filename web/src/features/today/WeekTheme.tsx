import { Box, chakra } from '@chakra-ui/react';
import { QUANTITY_ROWS } from '@inner-hum/core/measure';
import { daysOf } from '@inner-hum/core/history';
import {
  answerOf,
  blockS,
  themeOf,
  type SessionBlock,
  type Theme,
  type ThemeMeasure,
  type WeekAnswer,
} from '@inner-hum/core/lesson';
import { hornOffset, reedOrLeak } from '@inner-hum/core/map';
import type { TFunction } from 'i18next';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useAppSelector } from '../../store';
import { formatNumber } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { themeText } from '../../text/reasonText';
import type { PlannedToday } from '../../shared/plan/usePlan';

/** What the week is about, what today adds to it, how it stands, and what comes before all of it. */
export function WeekTheme({ plan, blocks }: { readonly plan: PlannedToday; readonly blocks: readonly SessionBlock[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { from } = plan;
  const said = useAppSelector((state) => state.settings.level);
  const { theme, answer, cents, reed } = useMemo(() => {
    const found = themeOf(from);
    const days = daysOf(from.recent);
    return { theme: found, answer: answerOf(found, from), cents: hornOffset(from.notes), reed: reedOrLeak(days) };
  }, [from]);
  const minutes = Math.round(
    blocks.filter((block) => isOf(theme, block)).reduce((sum, block) => sum + blockS(block), 0) / 60,
  );
  return (
    <Box data-testid="week-theme" my="10px">
      <chakra.p fontFamily="heading" fontSize="title" lineHeight={1.25}>
        {t('season.about', { theme: themeText(t, theme, nameOf) })}
      </chakra.p>
      <chakra.p fontSize="lead">
        {minutes > 0 && t('season.gives', { count: minutes })}{' '}
        {theme.kind === 'need' && answer.before && answer.now && answerText(t, theme, answer)}{' '}
        <Link to="/week">{t('weekPage.link')}</Link>
      </chakra.p>
      {cents !== undefined && (
        <p role="status">
          {t(cents > 0 ? 'season.horn.sharp' : 'season.horn.flat', { cents: formatNumber(Math.abs(cents), 0) })}
        </p>
      )}
      {reed && <p role="status">{t(`season.${reed}`)}</p>}
      {said !== null && said !== from.level && (
        <chakra.p color="inkSoft">
          {t(isUp(said, from.level) ? 'season.levelMoved.up' : 'season.levelMoved.down')}
        </chakra.p>
      )}
    </Box>
  );
}

/** How the week's theme stands; that it can't be told, where it can't. */
export function answerText(t: TFunction, theme: Theme, { answer, before, now }: WeekAnswer): string {
  if (theme.kind !== 'need' || !before || !now || answer === 'cannotTell') return t('season.answer.cannotTell');
  return t(`season.answer.${answer}`, { before: valueText(t, theme, before), now: valueText(t, theme, now) });
}

const ORDER = ['new', 'home', 'advanced'];
const isUp = (said: string, now: string) => ORDER.indexOf(now) > ORDER.indexOf(said);

/** Whether a block is part of the week's work. */
function isOf(theme: Theme, { reason }: SessionBlock): boolean {
  if ('theme' in reason) return reason.theme === true;
  if (theme.kind === 'measure') return reason.kind === 'again';
  return reason.kind === theme.kind || (theme.kind === 'start' && reason.kind === 'firstMap');
}

function valueText(
  t: TFunction,
  theme: Theme & { readonly kind: 'need' },
  { value, uncertainty }: ThemeMeasure,
): string {
  if (theme.reason === 'failing')
    return t('season.percent', { value: formatNumber(100 * value, 0), error: formatNumber(100 * uncertainty, 0) });
  const row = QUANTITY_ROWS[QUANTITY[theme.reason]];
  return t('season.value', {
    value: formatNumber(value * row.factor, row.digits),
    error: formatNumber(uncertainty * row.factor, row.digits),
    unit: t(`measures.units.${row.unit}`),
  });
}

const QUANTITY = {
  response: 'responseS',
  pitch: 'pitchCentreCents',
  slope: 'pitchAgainstLevelCents',
  steadiness: 'pitchSteadinessCents',
} as const;
