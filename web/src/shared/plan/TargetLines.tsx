import { chakra } from '@chakra-ui/react';
import type { Target } from '@inner-hum/core/lesson';
import { useTranslation } from 'react-i18next';
import { targetText } from '../../text/targetText';
import { useNoteName } from '../../text/useNoteName';
import { SectionTitle } from '../../ui/PageTitle';

/** Targets under their heading, a sentence each; nothing without one. */
export function TargetLines({ targets }: { readonly targets: readonly Target[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  if (targets.length === 0) return null;
  return (
    <chakra.section mt="22px" data-testid="target-lines">
      <SectionTitle>{t('targets.title')}</SectionTitle>
      <chakra.ul listStyleType="none">
        {targets.map((target) => (
          <chakra.li key={target.key} borderTopWidth="1px" borderColor="line" py="5px">
            {targetText(t, nameOf, target)}
          </chakra.li>
        ))}
      </chakra.ul>
    </chakra.section>
  );
}
