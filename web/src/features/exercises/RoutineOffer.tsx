import { chakra, Flex } from '@chakra-ui/react';
import { blockS, routineBlocks, type Routine } from '@inner-hum/core/lesson';
import { useTranslation } from 'react-i18next';
import { store } from '../../store';
import { useHorn } from '../../store/useHorn';
import { weekdayName } from '../../text/format';
import { AlertPanel } from '../../ui/AlertPanel';
import { Button } from '../../ui/controls';
import { addRoutine } from './addRoutine';
import { tellOfRoutine } from './tellOfRoutine';

/** A routine that came by a link or a file: what it would add is shown, and nothing is stored before the player wants it. */
export function RoutineOffer({ routine, onDone }: { readonly routine: Routine; readonly onDone: () => void }) {
  const { t } = useTranslation();
  const horn = useHorn();
  const { name, from, days, must, remark, remarks = [] } = routine;
  const blocks = routineBlocks(routine, horn.hornId);
  const minutes = Math.max(1, Math.round(blocks.reduce((sum, block) => sum + blockS(block), 0) / 60));
  const names = days.map((day) => weekdayName(day, 'weekdayShort')).join(', ');
  const add = () => {
    const { routines } = store.getState().settings;
    // The same again adds nothing.
    if (!routines.some((own) => JSON.stringify(own) === JSON.stringify(routine))) addRoutine(t, routine);
    void tellOfRoutine(routine); // tells its own failure
    onDone();
  };
  return (
    <AlertPanel>
      <chakra.section data-testid="routine-offer">
        <chakra.h2 fontFamily="heading" fontSize="section" mb="4px">
          {t('routines.offer.title', { name })}
        </chakra.h2>
        <p>
          {t('routines.offer.what', { count: blocks.length, minutes })}{' '}
          {from && t('routines.offer.from', { name: from })}
        </p>
        {names && <p>{t(must ? 'routines.offer.must' : 'routines.offer.days', { days: names })}</p>}
        {remarks.length > 0 && <p>{t('routines.offer.remarks', { count: remarks.length })}</p>}
        {remark && <p>“{remark}”</p>}
        <Flex gap="10px" mt="12px" wrap="wrap">
          <Button tone="strong" onClick={add}>
            {t('routines.offer.add')}
          </Button>
          <Button tone="quiet" onClick={onDone}>
            {t('routines.offer.leave')}
          </Button>
        </Flex>
      </chakra.section>
    </AlertPanel>
  );
}
