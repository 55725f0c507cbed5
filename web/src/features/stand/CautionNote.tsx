import { chakra } from '@chakra-ui/react';
import { cautionsFor } from '@inner-hum/core/exercise';
import { useTranslation } from 'react-i18next';
import { useDay } from '../../shared/page/useDay';
import { Button } from '../../ui/controls';
import { useAppDispatch, useAppSelector } from '../../store';
import { scoreOf, settingsChanged } from '../../store/settings';

/** What to mind with the present exercise, once a day, until it is put away. */
export function CautionNote() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const today = useDay();
  const caution = cautionsFor(scoreOf(settings)).find((choice) => settings.cautionsSeen[choice] !== today);
  if (!caution) return null;
  const dismiss = () => dispatch(settingsChanged({ cautionsSeen: { ...settings.cautionsSeen, [caution]: today } }));
  return (
    <chakra.p display="flex" alignItems="center" gap="8px" color="inkSoft" data-testid="caution">
      {t(`cautions.${caution}`)}
      <Button tone="quiet" onClick={dismiss}>
        {t('cautions.dismiss')}
      </Button>
    </chakra.p>
  );
}
