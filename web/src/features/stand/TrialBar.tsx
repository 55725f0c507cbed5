import { chakra, Flex } from '@chakra-ui/react';
import { nextTrial, probeOf, type Experiment } from '@inner-hum/core/experiments';
import { trialTag } from '@inner-hum/core/history';
import type { Trial } from '@inner-hum/core/exercise';
import { useLiveQuery } from 'dexie-react-hooks';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useDay } from '../../shared/page/useDay';
import { database } from '../../db/database';
import { trialOnStand } from '../../practice/trialOnStand';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { Button } from '../../ui/controls';
import { LETTERS, trialText } from '../../text/trialText';

/** Which try of a question is on the Stand; after it, the way to the next one. */
export function TrialBar({ onNext }: { readonly onNext: () => void }) {
  const settings = useAppSelector((state) => state.settings);
  const now = trialOnStand(settings);
  return now ? <Bar {...now} onNext={onNext} /> : null;
}

function Bar({
  experiment,
  trial,
  onNext,
}: {
  readonly experiment: Experiment;
  readonly trial: Trial;
  readonly onNext: () => void;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { phase, last } = useAppSelector((state) => state.practice);
  const today = useDay();
  const takes = useLiveQuery(
    () => database.digests.where('tags').equals(trialTag(experiment.id)).toArray(),
    [experiment.id],
  );
  const played = phase === 'verdict' && last?.trial?.experiment === experiment.id;
  const next = played && takes ? nextTrial(experiment, takes, today).next : undefined;
  const goOn = (coming: Trial) => {
    dispatch(settingsChanged({ trial: coming, exercise: probeOf(experiment) }));
    onNext();
  };
  return (
    <Flex align="center" gap="14px" wrap="wrap" data-testid="trial">
      <chakra.span fontWeight={600} fontSize="lead">
        {trialText(t, experiment, trial, true)}
      </chakra.span>
      {played && <chakra.span color="inkSoft">{t('findOut.standAgain')}</chakra.span>}
      {next && experiment.kind === 'ways' && (
        <Button tone="strong" onClick={() => goOn(next)}>
          {t('findOut.nextTry', { letter: LETTERS[next.variant]!, way: experiment.variants[next.variant]! })}
        </Button>
      )}
      <Link to={`/horn/compare/${experiment.id}`}>{t('findOut.openQuestion')}</Link>
    </Flex>
  );
}
