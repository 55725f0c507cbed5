import { chakra, Flex } from '@chakra-ui/react';
import { farthest, nearness } from '@inner-hum/core/evened';
import type { TakeRecord } from '@inner-hum/core/take';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { useAppDispatch } from '../../store';
import { verdictLeft } from '../../store/practice';
import { settingsChanged } from '../../store/settings';
import { formatNumber } from '../../text/format';
import { Button } from '../../ui/controls';

/** How far the two lie apart, what of it is heard most, and the way to try again after the other. */
export function HowNear({ a, b }: { readonly a: TakeRecord; readonly b: TakeRecord }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const near = nearness(a.measures, b.measures);
  const far = near && farthest(near);
  const after = () => {
    dispatch(settingsChanged({ exercise: b.parameters }));
    dispatch(verdictLeft());
    void navigate('/stand', { state: { after: b.id } });
  };
  const value = (number: number | undefined, digits: number) =>
    number === undefined ? '–' : formatNumber(number, digits);
  return (
    <Flex gap="14px" align="center" wrap="wrap" mt="6px" data-testid="how-near">
      {near && (
        <chakra.p>
          {t('target.apart', {
            count: near.tones,
            cents: value(near.pitchCents, 1),
            db: value(near.levelDb, 1),
            percent: value(near.colour === undefined ? undefined : 100 * near.colour, 0),
          })}{' '}
          {far && t(`target.far.${far}`)}
        </chakra.p>
      )}
      <Button onClick={after}>{t('target.playAfter')}</Button>
    </Flex>
  );
}
