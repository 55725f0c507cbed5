import { chakra } from '@chakra-ui/react';
import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import { freeAccount } from '@inner-hum/core/map';
import type { TakeRecord } from '@inner-hum/core/take';
import { useTranslation } from 'react-i18next';
import { formatNumber, formatSigned } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';

/** What was held in free play, a row each note: how often, how long, how it leaned soft and loud. */
export function FreeAccount({ take }: { readonly take: TakeRecord }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  return (
    <chakra.table mt="14px" fontSize="lead" css={{ '& th, & td': { padding: '2px 26px 2px 0', textAlign: 'right' } }}>
      <thead>
        <tr>
          <th scope="col">{t('free.note')}</th>
          <th scope="col">{t('free.times')}</th>
          <th scope="col">{t('free.longest')}</th>
          {LOUDNESS_BANDS.map((band) => (
            <th key={band} scope="col">
              {t('free.band', { band: t(`horn.bands.${band}`) })}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {freeAccount(take.score, take.measures).map(({ midi, times, longestS, cents }) => (
          <tr key={midi}>
            <th scope="row">{nameOf(midi)}</th>
            <td>{times}</td>
            <td>{t('free.seconds', { seconds: formatNumber(longestS, 1) })}</td>
            {LOUDNESS_BANDS.map((band) => (
              <td key={band}>{cents[band] === undefined ? '–' : formatSigned(cents[band], 0)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </chakra.table>
  );
}
