import { chakra } from '@chakra-ui/react';
import { notPlanned } from '@inner-hum/core/lesson';
import { useTranslation } from 'react-i18next';
import { useDay } from '../../shared/page/useDay';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { tableText } from '../../text/tableText';
import { Button } from '../../ui/controls';

/** What the plan leaves out since the player said so, why and for how long; each can be had back. */
export function NotPlanned() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const leftOut = useAppSelector((state) => state.settings.leftOut);
  const away = notPlanned(leftOut, useDay());
  const shown = leftOut.filter(({ family }) => away.has(family));
  if (shown.length === 0) return null;
  return (
    <chakra.ul listStyleType="none" mt="14px" color="inkSoft" fontSize="small" data-testid="not-planned">
      {shown.map(({ family, why }) => (
        <li key={family}>
          {t(`today.left.now.${why as 'tooHard'}`, { family: tableText(t, `families.${family}.name`) })}{' '}
          <Button
            tone="quiet"
            fontSize="small"
            onClick={() => dispatch(settingsChanged({ leftOut: leftOut.filter((one) => one.family !== family) }))}
          >
            {t('today.left.again')}
          </Button>
        </li>
      ))}
    </chakra.ul>
  );
}
