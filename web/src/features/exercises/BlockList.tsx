import { chakra, Flex } from '@chakra-ui/react';
import { breathBudget, type ExerciseParameters } from '@inner-hum/core/exercise';
import { playable } from '@inner-hum/core/families';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { VERDICT_S } from '@inner-hum/core/lesson';
import { blockQueue } from '../../practice/queue';
import { Button } from '../../ui/controls';
import { entry } from '../../store/lists';
import { deleteEntries } from '../../store/undo';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { startQueue } from '../../practice/flow';
import { usePageSound } from '../../practice/usePageSound';

/** Several exercises that one key press plays one after the other. */
export function BlockList({ nameOf }: { readonly nameOf: (exercise: ExerciseParameters) => string }) {
  const { t } = useTranslation();
  const page = usePageSound();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const block = useAppSelector((state) => state.settings.block);
  const change = (next: readonly ExerciseParameters[]) => dispatch(settingsChanged({ block: next }));
  const seconds = block.reduce(
    (sum, parameters) => sum + breathBudget(playable(parameters).score).totalS + VERDICT_S,
    0,
  );
  const start = () => {
    void navigate('/stand');
    void startQueue(page, blockQueue());
  };
  return (
    <chakra.section borderTopWidth="2px" borderColor="ink" mt="26px" pt="10px">
      <chakra.h2 fontFamily="heading" fontSize="section" fontWeight={600} mb="6px">
        {t('exercise.block')}
      </chakra.h2>
      {block.length === 0 && <p>{t('exercise.blockEmpty')}</p>}
      <chakra.ol listStyleType="decimal" pl="1.6em">
        {block.map((parameters, i) => (
          <li key={`${i} ${JSON.stringify(parameters)}`}>
            <Flex align="center" gap="8px">
              <chakra.span flex="1 1 auto">{nameOf(parameters)}</chakra.span>
              {i > 0 && (
                <Button tone="quiet" onClick={() => change(block.toSpliced(i - 1, 2, parameters, block[i - 1]!))}>
                  {t('exercise.moveUp')}
                </Button>
              )}
              <Button
                tone="quiet"
                onClick={() =>
                  deleteEntries([entry.removed('block', parameters)], {
                    key: 'exercise.removed',
                    values: { name: nameOf(parameters) },
                  })
                }
              >
                {t('exercise.remove')}
              </Button>
            </Flex>
          </li>
        ))}
      </chakra.ol>
      {block.length > 0 && (
        <Flex gap="12px" mt="10px" align="center" wrap="wrap">
          <Button tone="strong" onClick={start}>
            {t('exercise.blockStart')}
          </Button>
          <Button
            tone="quiet"
            onClick={() =>
              deleteEntries(
                block.map((parameters) => entry.removed('block', parameters)),
                { key: 'exercise.cleared' },
              )
            }
          >
            {t('exercise.clear')}
          </Button>
          <chakra.span color="inkSoft">
            {t('exercise.blockMinutes', { minutes: Math.max(1, Math.round(seconds / 60)) })}
          </chakra.span>
        </Flex>
      )}
    </chakra.section>
  );
}
