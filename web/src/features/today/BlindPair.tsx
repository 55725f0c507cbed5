import { chakra, Flex } from '@chakra-ui/react';
import type { Digest, WeekReport } from '@inner-hum/core/plan';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { detailOf } from '../../base/detailOf';
import { wholeTake } from '../../db/takes';
import { asLoudAs, Player, soundOf } from '../../practice/playback';
import { usePageSound } from '../../practice/usePageSound';
import { useAppDispatch } from '../../store';
import { noticed } from '../../store/notices';
import { exerciseTitle } from '../../text/exerciseText';
import { formatDate } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { Button } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';

const LETTERS = ['A', 'B'] as const;

/** Two own takes of one exercise, as loud as each other: which is which is told only after the choice. */
export function BlindPair({ pair }: { readonly pair: WeekReport['pair'] }) {
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
  const dispatch = useAppDispatch();
  const { speaker } = usePageSound();
  // Drawn once: the newer is A or B by lot.
  const [order] = useState(() => (Math.random() < 0.5 ? pair : [pair[1], pair[0]]));
  const [chosen, setChosen] = useState(false);
  const player = useRef<Player>(undefined);
  useEffect(() => () => player.current?.close(), []);
  const hear = async (i: number) => {
    try {
      const [own, other] = await Promise.all([order[i]!, order[1 - i]!].map(({ takeId }) => wholeTake(takeId)));
      const [sound, beside] = [own && soundOf(own), other && soundOf(other)];
      if (!sound || !beside) return void dispatch(noticed({ key: 'take.noSound' }));
      player.current?.close();
      player.current = new Player(speaker, i === 0 ? sound : asLoudAs(sound, beside, 0, Infinity), () => undefined);
      await player.current.play(0);
    } catch (error) {
      dispatch(noticed({ key: 'take.notHeard', values: { detail: detailOf(error) } }));
    }
  };
  const choose = () => {
    player.current?.close();
    setChosen(true);
  };
  const newer = order[0] === pair[1] ? 'A' : 'B';
  return (
    <>
      <p>{t('weekPage.blindWhy', { exercise: exerciseTitle(t, pair[1].parameters, nameOf) })}</p>
      <Flex gap="10px" wrap="wrap" mt="8px">
        {LETTERS.map((letter, i) => (
          <Button key={letter} onClick={() => void hear(i)}>
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
