import { chakra, Flex } from '@chakra-ui/react';
import type { Experiment } from '@inner-hum/core/experiments';
import type { Digest } from '@inner-hum/core/history';
import { useTranslation } from 'react-i18next';
import { useBlindPair } from '../../shared/take/useBlindPair';
import { useAppDispatch } from '../../store';
import { entry } from '../../store/lists';
import { listsChanged } from '../../store/settings';
import { Button } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';

/** Two tries of one round that were not heard against each other yet. */
function unheardPair({ picks, order }: Experiment, takes: readonly Digest[]) {
  for (const [round, variants] of order.entries())
    for (const [i, second] of variants.entries())
      for (const first of variants.slice(0, i)) {
        const heard = picks.some(
          (pick) => pick.round === round && pick.heard.includes(first) && pick.heard.includes(second),
        );
        const of = (variant: number) =>
          takes.find(({ trial }) => trial?.round === round && trial.variant === variant && trial.part === 0);
        const [one, other] = [of(first), of(second)];
        if (!heard && one && other) return [one, other] as const;
      }
  return undefined;
}

export function ByEar({ experiment, takes }: { readonly experiment: Experiment; readonly takes: readonly Digest[] }) {
  const { t } = useTranslation();
  // Days that are compared by their change are no pair for the ear.
  if (experiment.kind === 'around') return null;
  const pair = unheardPair(experiment, takes);
  return (
    <chakra.section mt="22px" data-testid="by-ear">
      <SectionTitle>{t('findOut.blind')}</SectionTitle>
      <chakra.p color="inkSoft">{t('findOut.blindWhy')}</chakra.p>
      {pair ? (
        <Pair key={pair.map((take) => take.takeId).join(' ')} experiment={experiment} pair={pair} />
      ) : (
        <p>{t(experiment.picks.length > 0 ? 'findOut.blindDone' : 'findOut.blindNone')}</p>
      )}
    </chakra.section>
  );
}

const EARS = ['A', 'B'] as const;

function Pair({ experiment, pair }: { readonly experiment: Experiment; readonly pair: readonly [Digest, Digest] }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { order, hear, stop } = useBlindPair([pair[0].takeId, pair[1].takeId]);
  const variantOf = (takeId: string) => pair.find((take) => take.takeId === takeId)!.trial!.variant;
  const choose = (chosen: number) => {
    stop();
    const heard = [pair[0].trial!.variant, pair[1].trial!.variant] as const;
    const pick = { round: pair[0].trial!.round, heard, chosen };
    const after = { ...experiment, picks: [...experiment.picks, pick] };
    dispatch(listsChanged([entry.changed('experiments', experiment, after)]));
  };
  return (
    <Flex gap="10px" wrap="wrap" mt="8px">
      {EARS.map((letter, i) => (
        <Button key={letter} onClick={() => void hear(i as 0 | 1)}>
          {t('weekPage.hear', { letter })}
        </Button>
      ))}
      {EARS.map((letter, i) => (
        <Button key={letter} tone="quiet" onClick={() => choose(variantOf(order[i as 0 | 1]))}>
          {t('findOut.better', { letter })}
        </Button>
      ))}
      <Button tone="quiet" onClick={() => choose(-1)}>
        {t('weekPage.noDifference')}
      </Button>
    </Flex>
  );
}
