import { Box, chakra } from '@chakra-ui/react';
import { nextTrial, probeOf, ROUNDS, takesOf, type Experiment } from '@inner-hum/core/experiments';
import { trialTag, type Digest } from '@inner-hum/core/history';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import { detailOf } from '../../base/detailOf';
import { compareService } from '../../db/compareService';
import { database } from '../../db/database';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useDay } from '../../shared/page/useDay';
import { useAppDispatch, useAppSelector } from '../../store';
import { entry } from '../../store/lists';
import { settingsChanged } from '../../store/settings';
import { deleteEntries } from '../../store/undo';
import { formatNumber } from '../../text/format';
import { Button } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';
import { differenceText, driftText, LETTERS, trialText } from '../../text/trialText';
import { ByEar } from './ByEar';

/** One question: what is played next, what the tries say so far, and what the ear says alone. */
export function ExperimentPage() {
  const { t } = useTranslation();
  const { id } = useParams();
  const experiment = useAppSelector((state) => state.settings.experiments.find((one) => one.id === id));
  const takes = useLiveQuery(() => database.digests.where('tags').equals(trialTag(id!)).toArray(), [id]);
  if (!takes) return <p>{t('app.loading')}</p>;
  return (
    <Box maxWidth="56rem">
      <chakra.p mb="10px">
        <Link to="/horn/compare">{t('findOut.back')}</Link>
      </chakra.p>
      {experiment ? <Asked experiment={experiment} takes={takes} /> : <p>{t('findOut.none')}</p>}
    </Box>
  );
}

function Asked({ experiment, takes }: { readonly experiment: Experiment; readonly takes: readonly Digest[] }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const counted = takesOf(experiment, takes);
  const answer = useAnswer(experiment, counted);
  const remove = () => {
    deleteEntries([entry.removed('experiments', experiment)], {
      key: 'findOut.removed',
      values: { name: experiment.question },
    });
    void navigate('/horn/compare');
  };
  return (
    <>
      <chakra.h2 fontFamily="heading" fontSize="title" fontWeight={500}>
        {experiment.question}
      </chakra.h2>
      <chakra.ul listStyleType="none" mt="6px" fontSize="lead">
        {experiment.variants.map((way, i) => (
          <li key={way}>
            <chakra.span fontWeight={600}>{LETTERS[i]}</chakra.span> {way}
          </li>
        ))}
      </chakra.ul>
      <NextTry experiment={experiment} takes={counted} answered={answer?.found?.answer.state === 'decided'} />
      <Answer experiment={experiment} {...answer} />
      <ByEar experiment={experiment} takes={counted} />
      <Button tone="quiet" mt="24px" onClick={remove}>
        {t('findOut.remove')}
      </Button>
    </>
  );
}

function NextTry({
  experiment,
  takes,
  answered,
}: {
  readonly experiment: Experiment;
  readonly takes: readonly Digest[];
  readonly answered: boolean;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const open = useOpenExercise();
  const { next, anotherDay } = nextTrial(experiment, takes, useDay());
  if (!next) return <chakra.p mt="14px">{t('findOut.allPlayed')}</chakra.p>;
  return (
    <Box
      mt="16px"
      p="16px"
      borderWidth="1.5px"
      borderColor="ink"
      borderRadius="field"
      bg="panel"
      data-testid="next-try"
    >
      <chakra.p color="inkSoft">{t('findOut.round', { number: next.round + 1, of: ROUNDS })}</chakra.p>
      {answered && <p>{t('findOut.answered')}</p>}
      {anotherDay && <p>{t('findOut.anotherDay')}</p>}
      <chakra.p fontSize="lead" mb="10px">
        {!anotherDay && trialText(t, experiment, next)}
      </chakra.p>
      <Button
        tone={answered || anotherDay ? 'plain' : 'strong'}
        onClick={() => {
          dispatch(settingsChanged({ trial: next }));
          open(probeOf(experiment));
        }}
      >
        {t('findOut.play')}
      </Button>
    </Box>
  );
}

type Found = Awaited<ReturnType<ReturnType<typeof compareService>['experiment']>>;

interface Asking {
  readonly found?: Found;
  readonly failed?: string;
}

/** Asked anew with each take and each choice by ear. */
function useAnswer(experiment: Experiment, takes: readonly Digest[]) {
  const state = JSON.stringify([experiment.id, experiment.picks.length, takes.map((take) => take.takeId)]);
  const [done, setDone] = useState<{ readonly id: string } & Asking>();
  useEffect(() => {
    let gone = false;
    compareService()
      .experiment(experiment)
      .then(
        (found) => gone || setDone({ id: experiment.id, found }),
        (error: unknown) => gone || setDone({ id: experiment.id, failed: detailOf(error) }),
      );
    return () => void (gone = true);
    // oxlint-disable-next-line react/exhaustive-deps -- the state says when the same experiment is another
  }, [state]);
  return done?.id === experiment.id ? done : undefined;
}

function Answer({ experiment, found, failed }: { readonly experiment: Experiment } & Asking) {
  const { t } = useTranslation();
  return (
    <chakra.section mt="22px" aria-live="polite" data-testid="answer">
      <SectionTitle>{t('findOut.answer')}</SectionTitle>
      {!found && <p>{failed ? t('app.wentWrong', { detail: failed }) : t('app.loading')}</p>}
      {found && (
        <>
          <chakra.p fontSize="lead">{t(`findOut.${found.answer.state}`, { count: found.answer.rounds })}</chakra.p>
          <chakra.ul pl="1.2em" listStyleType="disc" mt="6px">
            {found.answer.differences.map((one) => (
              <chakra.li
                key={`${one.quantity} ${one.dynamic} ${one.variants.join(' ')}`}
                fontWeight={one.answer === 'differs' ? 600 : 400}
              >
                {differenceText(t, experiment, one, ROUNDS)}
              </chakra.li>
            ))}
            {found.answer.drifts.map((one) => (
              <li key={`${one.quantity} ${one.dynamic}`}>{driftText(t, one)}</li>
            ))}
          </chakra.ul>
          {found.answer.differences.length > 0 && (
            <chakra.p fontSize="small" color="inkSoft" mt="6px">
              {t('findOut.sure')}
            </chakra.p>
          )}
          {found.blind.map((one) => {
            const [first, second] = one.pair.map((variant) => experiment.variants[variant]!) as [string, string];
            if (one.heard === 0) return null;
            return (
              <chakra.p key={one.pair.join(' ')} mt="6px">
                {one.chosen === 0
                  ? t('findOut.blindSame', { first, second, heard: one.heard })
                  : t('findOut.blindCount', {
                      ...{ first, second, got: one.forB, of: one.chosen },
                      percent: formatNumber(Math.max(1, 100 * one.byChance), 0),
                    })}
              </chakra.p>
            );
          })}
        </>
      )}
    </chakra.section>
  );
}
