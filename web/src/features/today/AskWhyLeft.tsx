import { chakra, Flex } from '@chakra-ui/react';
import { type Digest } from '@inner-hum/core/history';
import { answered, askedAbout, WHY_LEFT } from '@inner-hum/core/lesson';
import { useTranslation } from 'react-i18next';
import { dayOf } from '../../base/days';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { tableText } from '../../text/tableText';
import { Button } from '../../ui/controls';

/** What was taken out of the plan on three days is asked about, once; the plan goes by the answer. */
export function AskWhyLeft({ recent }: { readonly recent: readonly Digest[] }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const leftOut = useAppSelector((state) => state.settings.leftOut);
  const family = askedAbout(leftOut, recent);
  if (family === undefined) return null;
  const name = tableText(t, `families.${family}.name`);
  return (
    <chakra.section
      aria-label={t('today.left.title', { family: name })}
      data-testid="why-left"
      borderWidth="1.5px"
      borderColor="ink"
      borderRadius="field"
      p="12px 18px"
      my="14px"
    >
      <chakra.p fontFamily="heading" fontSize="lead" mb="8px">
        {t('today.left.title', { family: name })}
      </chakra.p>
      <Flex gap="10px" wrap="wrap">
        {WHY_LEFT.map((why) => (
          <Button
            key={why}
            onClick={() => dispatch(settingsChanged({ leftOut: answered(leftOut, family, why, dayOf(new Date())) }))}
          >
            {t(`today.left.why.${why}`)}
          </Button>
        ))}
      </Flex>
    </chakra.section>
  );
}
