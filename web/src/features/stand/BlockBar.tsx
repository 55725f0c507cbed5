import { chakra, Flex } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { useSpoken } from '../../shared/page/useSpoken';
import { Button, Key } from '../../ui/controls';
import { exerciseTitle } from '../../text/exerciseText';
import { useNoteName } from '../../text/useNoteName';
import { useAppSelector, store } from '../../store';
import { stopAsked, goOnAsked } from '../../store/practice';

/** Where a block stands, or the way to start one. */
export function BlockBar() {
  const { t, i18n } = useTranslation();
  const nameOf = useNoteName();
  const { block: place, phase } = useAppSelector((state) => state.practice);
  const session = useAppSelector((state) => state.settings.session);
  const said =
    place?.count === null && place.next && phase === 'verdict' ? exerciseTitle(t, place.next, nameOf) : undefined;
  useSpoken(said && t('stand.blockNext', { title: said }), i18n.language);
  if (!place) return null;
  const { next } = place;
  // What comes next is the first that is left of the session.
  const [coming] = session?.blocks ?? [];
  const remark = coming?.exercise.family === next?.family ? coming?.remark : undefined;
  return (
    <Flex align="center" gap="14px" wrap="wrap" data-testid="block">
      <chakra.span fontWeight={600} fontSize="lead">
        {place.count === null
          ? t('stand.rung', { number: place.index + 1 })
          : t('stand.blockPlace', { number: place.index + 1, count: place.count })}
      </chakra.span>
      {next && (
        <chakra.span color="inkSoft">{t('stand.blockNext', { title: exerciseTitle(t, next, nameOf) })}</chakra.span>
      )}
      {remark && <chakra.span fontSize="lead">{remark}</chakra.span>}
      {phase === 'verdict' && next && (
        <Button tone="strong" onClick={() => store.dispatch(goOnAsked())}>
          {t('stand.blockGoOn')} <Key>{t('stand.startKey')}</Key>
        </Button>
      )}
      <Button tone="quiet" onClick={() => store.dispatch(stopAsked())}>
        {t('stand.blockStop')} <Key>P</Key>
      </Button>
    </Flex>
  );
}
