import { chakra, Flex } from '@chakra-ui/react';
import { blockS, routineBlocks, type Routine } from '@inner-hum/core/lesson';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { copied } from '../../base/plainOrigin';
import { dayOf } from '../../base/days';
import { saveFile } from '../../base/saveFile';
import { useAppDispatch, useAppSelector } from '../../store';
import { noticed } from '../../store/notices';
import { replaceSession } from '../../store/undo';
import { useHorn } from '../../store/useHorn';
import { Button } from '../../ui/controls';
import { Fold } from '../../ui/Fold';
import { linkToRoutine, routineFile } from '../../shared/exercise/link';
import { RoutineEditor } from './RoutineEditor';

export function RoutineRow({
  routine,
  place,
  onChange,
  onRemove,
  onDelete,
}: {
  readonly routine: Routine;
  /** among the routines, from 0 */
  readonly place: number;
  readonly onChange: (routine: Routine) => void;
  readonly onRemove: () => void;
  /** the routine without one of its blocks, and what that was */
  readonly onDelete: (routine: Routine, name: string) => void;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { instrumentId, minutes, signedAs } = useAppSelector((state) => state.settings);
  const signed = { ...routine, from: routine.from || signedAs };
  const horn = useHorn();
  const blocks = routineBlocks(routine, horn.hornId);
  const lasts = Math.max(1, Math.round(blocks.reduce((sum, part) => sum + blockS(part), 0) / 60));
  const start = () => {
    const session = { day: dayOf(new Date()), instrumentId, minutes, blocks, done: 0, change: null };
    replaceSession(session, { key: 'routines.started', values: { name: routine.name } });
    void navigate('/today');
  };
  const share = async () => {
    const link = linkToRoutine(signed);
    dispatch(noticed((await copied(link)) ? { key: 'routines.linked' } : { key: 'app.notCopied', values: { link } }));
  };
  return (
    <chakra.div borderTopWidth="1px" borderColor="line" py="8px" data-testid="routine">
      <Flex align="center" gap="8px" wrap="wrap">
        <chakra.span flex="1 1 12rem">
          <strong>{routine.name}</strong>{' '}
          <chakra.span color="inkSoft">
            {[t('routines.minutes', { minutes: lasts }), routine.from && t('routines.from', { name: routine.from })]
              .filter(Boolean)
              .join(' · ')}
          </chakra.span>
        </chakra.span>
        <Button onClick={start} disabled={blocks.length === 0}>
          {t('routines.start')}
        </Button>
        <Button tone="quiet" onClick={() => saveFile(`${routine.name}.json`, 'application/json', routineFile(signed))}>
          {t('routines.file')}
        </Button>
        <Button tone="quiet" onClick={() => void navigate(`/exercises/sheet/${place}`)}>
          {t('exercise.print')}
        </Button>
        <Button tone="quiet" onClick={() => void share()}>
          {t('routines.link')}
        </Button>
        <Button tone="quiet" onClick={onRemove}>
          {t('exercise.remove')}
        </Button>
      </Flex>
      {routine.remark && <p>{routine.remark}</p>}
      {routine.remarks?.map(({ takeId, beat, text }) => (
        <p key={`${takeId} ${beat} ${text}`}>
          <Link to={`/take/${takeId}`}>{t('routines.remarkOn', { beat })}</Link> {text}
        </p>
      ))}
      <Fold title={t('routines.edit')}>
        <RoutineEditor routine={routine} onChange={onChange} onDelete={onDelete} />
      </Fold>
    </chakra.div>
  );
}
