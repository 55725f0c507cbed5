import { Box } from '@chakra-ui/react';
import { bendTags, pullsOf } from '@inner-hum/core/map';
import { useTranslation } from 'react-i18next';
import { findTakes } from '../../db/search';
import { useKeyed } from '../../shared/stored/useKeyed';
import { useAppSelector } from '../../store';
import { useHorn } from '../../store/useHorn';
import { formatNumber } from '../../text/format';
import { SectionTitle } from '../../ui/PageTitle';
import { keysText } from './noteSentence';

const LOOKED_AT = 40;

/** How far the note was pulled by voicing each way, by fingering; nothing where it never was. */
export function HowFar({ midi }: { readonly midi: number }) {
  const { t } = useTranslation();
  const { hornId } = useHorn();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const pulls = useKeyed(`bends ${midi} ${hornId}`, async () => {
    const ways = bendTags(midi, hornId).map((tag) =>
      findTakes({ tags: [tag, `size:${instrumentId}`], since: '' }, LOOKED_AT),
    );
    return pullsOf(
      midi,
      (await Promise.all(ways)).flatMap(({ takes }) => takes),
    );
  });
  if (!pulls || pulls.length === 0) return null;
  return (
    <Box borderTopWidth="2px" borderColor="ink" pt="10px" mt="16px" data-testid="how-far">
      <SectionTitle>{t('horn.bends.title')}</SectionTitle>
      {pulls.map(({ fingering = '', downCents, upCents }) => {
        const byKeys = fingering && t('horn.bends.keys', { fingering: keysText(t, fingering) });
        return (
          <Box key={fingering}>
            {downCents !== undefined && <p>{t('horn.bends.down', { cents: formatNumber(downCents, 0), byKeys })}</p>}
            {upCents !== undefined && <p>{t('horn.bends.up', { cents: formatNumber(upCents, 0), byKeys })}</p>}
          </Box>
        );
      })}
    </Box>
  );
}
