import { chakra, Flex } from '@chakra-ui/react';
import type { Digest } from '@inner-hum/core/history';
import type { WeekFacts } from '@inner-hum/core/lesson';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useBlindPair } from '../../shared/take/useBlindPair';
import { exerciseTitle } from '../../text/exerciseText';
import { formatDate } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { Button } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';

const LETTERS = ['A', 'B'] as const;

/** Two own takes of one exercise, as loud as each other: which is which is told only after the choice. */
export function BlindPair({ pair }: { readonly pair: WeekFacts['pair'] }) {
  const { t } = useTranslation();
  return (
    <chakra.section mt="22px" data-testid="blind-pair" css={{ '@media print': { display: 'none' } }}>
      <SectionTitle>{t('weekPage.blind')}</SectionTitle>
      {pair ? <Pair key={pair[1].takeId} pair={pair} /> : <p>{t('weekPage.noPair')}</p>}
    </chakra.section>
  );
}

function Pair({ pair }: { readonly pair: readonly [Digest, Digest] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { order, hear, stop } = useBlindPair([pair[0].takeId, pair[1].takeId]);
  const [chosen, setChosen] = useState(false);
  const choose = () => {
    stop();
    setChosen(true);
  };
  const newer = order[0] === pair[1].takeId ? 'A' : 'B';
  return (
    <>
      <p>{t('weekPage.blindWhy', { exercise: exerciseTitle(t, pair[1].parameters, nameOf) })}</p>
      <Flex gap="10px" wrap="wrap" mt="8px">
        {LETTERS.map((letter, i) => (
          <Button key={letter} onClick={() => void hear(i as 0 | 1)}>
            {t('weekPage.hear', { letter })}
          </Button>
        ))}
        {!chosen && (
          <>
            {LETTERS.map((letter) => (
              <Button key={letter} tone="quiet" onClick={choose}>
                {t('weekPage.choose', { letter })}
              </Button>
            ))}
            <Button tone="quiet" onClick={choose}>
              {t('weekPage.noDifference')}
            </Button>
          </>
        )}
      </Flex>
      {chosen && (
        <chakra.p role="status" mt="8px">
          {t('weekPage.told', { letter: newer, date: formatDate(new Date(pair[1].startedAtMs), 'day') })}
        </chakra.p>
      )}
    </>
  );
}
