import { Box, chakra } from '@chakra-ui/react';
import type { TakeRecord } from '@inner-hum/core/take';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import type { TryId } from '@inner-hum/core/judge';
import { useAppSelector } from '../store';
import { decisionText, findingText, nextText } from '../text/findingText';
import { useNoteName } from '../text/useNoteName';
import type { Schools } from '../db/settings/schools';

/** Which answer of the player's school words a thing to try; undefined where schools agree. */
function schoolOf(id: TryId, schools: Schools): string | undefined {
  if (id === 'onePressure' || id === 'supportWhenSoft') return schools.softPlaying;
  return id === 'letItSpeak' ? schools.tongueHeight : undefined;
}

function tryText(t: TFunction, id: TryId, schools: Schools): string {
  const context = schoolOf(id, schools);
  return context === undefined ? t(`verdict.tries.${id}`) : t(`verdict.tries.${id}`, { context });
}

/** How many sentences are told at once; the rest is among the numbers. */
const SENTENCES = 3;

/** A verdict in words: what happened, what to try, what comes next. */
export function VerdictText({ take, large = false }: { readonly take: TakeRecord; readonly large?: boolean }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { verdict } = take;
  const schools = useAppSelector((state) => state.settings.schools);
  return (
    <Box role="status" aria-label={t('verdict.label')}>
      {verdict.findings.slice(0, SENTENCES).map((finding, i) => (
        <chakra.p
          key={`${finding.id} ${finding.stepIndex}`}
          fontFamily="heading"
          fontSize={large ? (i === 0 ? '2rem' : '1.45rem') : i === 0 ? '1.35rem' : '1.1rem'}
          lineHeight={1.3}
          mb="6px"
        >
          {findingText(t, finding, take, nameOf)}
        </chakra.p>
      ))}
      {verdict.tries.length > 0 && (
        <chakra.p fontSize={large ? '1.2rem' : '1rem'} mt="14px" color="inkSoft">
          <chakra.strong color="ink">{t('verdict.try')}: </chakra.strong>
          {verdict.tries.map((id) => tryText(t, id, schools)).join(' ')}
        </chakra.p>
      )}
      <chakra.p fontSize={large ? '1.2rem' : '1rem'} mt="10px">
        <strong>{decisionText(t, verdict)} </strong>
        {verdict.next.change !== 'none' && nextText(t, verdict, take, nameOf)}
      </chakra.p>
    </Box>
  );
}
