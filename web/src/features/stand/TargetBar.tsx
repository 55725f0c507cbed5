import { chakra, Flex } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { Link, useLocation } from 'react-router';
import { useHear } from '../../shared/take/useHear';
import { useAppSelector } from '../../store';
import { Button } from '../../ui/controls';

/** While a take of one's own is played after: it is heard as it was or evened, and after a try set beside it. */
export function TargetBar() {
  const { state } = useLocation() as { readonly state: { readonly after?: string } | null };
  return state?.after === undefined ? null : <Bar target={state.after} />;
}

function Bar({ target }: { readonly target: string }) {
  const { t } = useTranslation();
  const { phase, last } = useAppSelector((store) => store.practice);
  const { hearWhole, hearEvened } = useHear(target);
  return (
    <Flex align="center" gap="10px" wrap="wrap" data-testid="target">
      <chakra.span color="inkSoft">{t('target.title')}</chakra.span>
      <Button onClick={hearWhole}>{t('target.hear')}</Button>
      <Button tone="quiet" onClick={hearEvened}>
        {t('target.evened')}
      </Button>
      {phase === 'verdict' && last && last.id !== target && (
        <Link to={`/take/${last.id}?against=${target}`}>{t('target.howNear')}</Link>
      )}
    </Flex>
  );
}
