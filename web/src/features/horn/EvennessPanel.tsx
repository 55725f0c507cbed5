import { Box, chakra } from '@chakra-ui/react';
import { evenness, evennessGains, EVENNESS_PARTS } from '@inner-hum/core/map';
import { useTranslation } from 'react-i18next';
import { formatNumber } from '../../text/format';
import { Term } from '../../shared/page/Term';
import { SectionTitle } from '../../ui/PageTitle';
import { useNoteName } from '../../text/useNoteName';

const MOST_GAINS = 3;

/** Evenness with every part of its formula openable, and what would raise it. */
export function EvennessPanel({ notes }: { readonly notes: Parameters<typeof evenness>[0] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const of = evenness(notes);
  const gains = of.kind === 'known' ? evennessGains(notes, MOST_GAINS) : [];
  return (
    <Box borderTopWidth="2px" borderColor="ink" pt="10px" mt="12px">
      <SectionTitle>
        <Term id="evenness">{t('horn.evenness')}</Term>
      </SectionTitle>
      {of.kind === 'unknown' ? (
        <p>{t('horn.evennessUnknown', { notes: of.notes })}</p>
      ) : (
        <details>
          <chakra.summary cursor="pointer" minHeight="44px">
            <chakra.span fontFamily="heading" fontSize="place">
              {formatNumber(of.value, 0)}
            </chakra.span>{' '}
            {t('horn.evennessOf', { count: of.parts.length })}
          </chakra.summary>
          <chakra.ul pl="1.2em">
            {of.parts.map(({ part, notes: count, spread, worth }) => {
              const { halfAt, shown } = EVENNESS_PARTS[part];
              return (
                <li key={part}>
                  {t(`horn.parts.${part}`, {
                    spread: formatNumber(spread * shown.factor, shown.digits),
                    half: halfAt * shown.factor,
                    count,
                    worth: formatNumber(worth, 0),
                  })}
                </li>
              );
            })}
          </chakra.ul>
          <chakra.p color="inkSoft" fontSize="small">
            {t('horn.formula')}
          </chakra.p>
        </details>
      )}
      {gains.length > 0 && (
        <chakra.p data-testid="raises">
          {t('horn.raises', {
            gains: gains
              .map(({ part, midi, points }) =>
                t(`horn.gains.${part}`, { note: nameOf(midi), gain: formatNumber(points, 0) }),
              )
              .join(', '),
          })}
        </chakra.p>
      )}
    </Box>
  );
}
