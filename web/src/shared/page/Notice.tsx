import { chakra } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { useAppDispatch, useAppSelector } from '../../store';
import { noticeDismissed } from '../../store/notices';
import { Button } from '../../ui/controls';
import { useIdle } from './useIdle';
import { undoLast } from '../../store/undo';
import { saidText } from '../../text/tableText';
import { updateNow } from './update';

/** One sentence at the foot of the page. It stays until it is dismissed: hands may be on the horn. */
export function NoticeBar() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const notice = useAppSelector((state) => state.notices.current);
  const idle = useIdle();
  // What would take the player away from a take waits for its end.
  if (!notice || (notice.update && !idle)) return <div role="status" />;
  const { key, values, undos, update } = notice;
  return (
    // What stands at the foot of the page can be scrolled out from under the sentence.
    <chakra.div flex="none" height="84px">
      <chakra.div
        role="status"
        position="fixed"
        bottom={{ base: '122px', md: '76px', lg: '18px' }}
        left="50%"
        transform="translateX(-50%)"
        bg="ink"
        color="paper"
        borderRadius="card"
        pl="20px"
        pr="8px"
        py="6px"
        display="flex"
        alignItems="center"
        gap="10px"
        zIndex={10}
        maxWidth="calc(100vw - 24px)"
      >
        <span>{saidText(t, key, values)}</span>
        {undos !== undefined && (
          <Button color="inherit" borderColor="currentcolor" _hover={{ bg: 'inkSoft' }} onClick={() => void undoLast()}>
            {undos > 1 ? t('take.undoOf', { count: undos }) : t('take.undo')}
          </Button>
        )}
        {update && (
          <Button
            color="inherit"
            borderColor="currentcolor"
            _hover={{ bg: 'inkSoft' }}
            onClick={() => void updateNow()}
          >
            {t('app.updateNow')}
          </Button>
        )}
        <Button tone="quiet" color="inherit" _hover={{ bg: 'inkSoft' }} onClick={() => dispatch(noticeDismissed())}>
          {t('app.close')}
        </Button>
      </chakra.div>
    </chakra.div>
  );
}
