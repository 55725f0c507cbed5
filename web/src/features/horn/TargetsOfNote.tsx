import { Box, chakra } from '@chakra-ui/react';
import type { Target } from '@inner-hum/core/lesson';
import { useTranslation } from 'react-i18next';
import { noonOf } from '../../base/days';
import { useTargets } from '../../shared/plan/useTargets';
import { formatDate } from '../../text/format';
import { targetText } from '../../text/targetText';
import { useNoteName } from '../../text/useNoteName';
import { SectionTitle } from '../../ui/PageTitle';

/** The last days of a target are shown. */
const SHOWN_DAYS = 6;

/** What is worked on on one note: how far it is, and its last days. */
export function TargetsOfNote({ midi }: { readonly midi: number }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const own = (useTargets() ?? []).filter(({ midis }) => midis.includes(midi));
  if (own.length === 0) return null;
  return (
    <Box borderTopWidth="2px" borderColor="ink" pt="10px" mt="16px" data-testid="targets-of-note">
      <SectionTitle>{t('targets.ofNote')}</SectionTitle>
      {own.map((target) => (
        <Box key={target.key} mb="10px">
          <p>{targetText(t, nameOf, target)}</p>
          <Days days={target.days.slice(-SHOWN_DAYS)} />
        </Box>
      ))}
    </Box>
  );
}

function Days({ days }: Pick<Target, 'days'>) {
  const { t } = useTranslation();
  if (days.length === 0) return null;
  return (
    <chakra.table fontSize="small" css={{ '& :is(th, td)': { textAlign: 'left', padding: '2px 18px 2px 0' } }}>
      <thead>
        <tr>
          {(['day', 'first', 'attempts'] as const).map((head) => (
            <chakra.th key={head} fontWeight={600} scope="col">
              {t(`targets.${head}`)}
            </chakra.th>
          ))}
        </tr>
      </thead>
      <tbody>
        {days.map(({ day, firstInside, inside, tries }) => (
          <tr key={day}>
            <td>{formatDate(noonOf(day), 'day')}</td>
            <td>{t(firstInside ? 'targets.inside' : 'targets.outside')}</td>
            <td>{t('targets.counts', { got: inside, of: tries })}</td>
          </tr>
        ))}
      </tbody>
    </chakra.table>
  );
}
