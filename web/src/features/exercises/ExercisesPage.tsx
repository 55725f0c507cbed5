import { Box, chakra, Grid } from '@chakra-ui/react';
import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { familyById } from '@inner-hum/core/families';
import type { Routine } from '@inner-hum/core/lesson';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { PhraseEntry } from '../../shared/exercise/PhraseEntry';
import { ExerciseControls } from '../../shared/exercise/ExerciseControls';
import { exerciseMeta, exerciseTitle } from '../../text/exerciseText';
import { PageTitle } from '../../ui/PageTitle';
import { Part } from '../../shared/exercise/Part';
import { useNoteName } from '../../text/useNoteName';
import { useAppDispatch, useAppSelector } from '../../store';
import { noticed } from '../../store/notices';
import { exerciseChanged, exerciseOf, scoreOf, settingsChanged, usualFor } from '../../store/settings';
import { verdictLeft } from '../../store/practice';
import { ExerciseActions } from './ExerciseActions';
import { BlockList } from './BlockList';
import { FamilyChoice, FamilyList, type AimChoice } from './FamilyList';
import { exerciseFromLink, routineFromLink } from '../../shared/exercise/link';
import { OwnExercises } from './OwnExercises';
import { Routines } from './Routines';
import { marksOf, PassageRisks, usePassageRisks } from './PassageRisks';
import { RoutineOffer } from './RoutineOffer';
import { tableText } from '../../text/tableText';

/** The families in the order of a practice, the chosen one with its part and its breath, and the block. */
export default function ExercisesPage() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const nameOf = useNoteName();
  const settings = useAppSelector((state) => state.settings);
  const now = exerciseOf(settings);
  const score = scoreOf(settings);
  const risks = usePassageRisks();
  const marks = useMemo(() => risks && marksOf(risks), [risks]);
  const [aim, setAim] = useState<AimChoice>('all');
  const choose = useCallback(
    (exercise: ExerciseParameters) => {
      dispatch(settingsChanged({ exercise }));
      dispatch(verdictLeft());
    },
    [dispatch],
  );
  const [offered, offer] = useState<Routine>();
  useRoutineFromLink(offer);
  useExerciseFromLink(choose);
  const list = {
    chosen: now.family,
    onChoose: (id: string) => choose(usualFor(settings, id)),
    aim,
    onAim: setAim,
  };
  return (
    <Box maxWidth="80rem" pb="40px">
      <PageTitle title={t('exercise.title')} intro={t('exercise.intro')} />
      {offered && <RoutineOffer routine={offered} onDone={() => offer(undefined)} />}
      <Grid templateColumns={{ base: '1fr', lg: '18rem 1fr' }} gap="36px" _print={{ display: 'block' }}>
        <Box hideBelow="lg">
          <FamilyList {...list} />
        </Box>
        <Box minWidth={0}>
          <Box hideFrom="lg" mb="12px" _print={{ display: 'none' }}>
            <FamilyChoice {...list} />
          </Box>
          <chakra.h2 fontFamily="heading" fontSize="title" fontWeight={600}>
            {exerciseTitle(t, now, nameOf)}
          </chakra.h2>
          <chakra.p fontSize="lead" mb="10px">
            {tableText(t, `families.${now.family}.what`)}{' '}
            <chakra.span fontSize="small" whiteSpace="nowrap" _print={{ display: 'none' }}>
              <Link to={`/guide#stage-${familyById(now.family).stage}`}>{t('guide.stageLink')}</Link>
            </chakra.span>
          </chakra.p>
          <PrintedMeta text={exerciseMeta(t, now)} />
          <Box
            maxHeight="400px"
            overflowY="auto"
            mb="14px"
            _print={{ maxHeight: 'none', overflow: 'visible', color: 'black' }}
          >
            <Part score={score} exercise={now} marks={marks} />
          </Box>
          <Box _print={{ display: 'none' }}>
            <ExerciseControls />
            {'phrase' in familyById(now.family).fields && (
              <PhraseEntry
                phrase={String(now['phrase'])}
                onPhrase={(phrase) => dispatch(exerciseChanged({ phrase }))}
              />
            )}
            {risks && <PassageRisks risks={risks} />}
            <ExerciseActions />
            <BlockList nameOf={(exercise) => `${exerciseTitle(t, exercise, nameOf)}, ${exerciseMeta(t, exercise)}`} />
            <OwnExercises exercise={now} onUse={choose} />
            <Routines onOffer={offer} />
          </Box>
        </Box>
      </Grid>
    </Box>
  );
}

/** What a printed sheet says under its title; the screen has the controls instead. */
function PrintedMeta({ text }: { readonly text: string }) {
  return (
    <chakra.p display="none" _print={{ display: 'block' }}>
      {text}
    </chakra.p>
  );
}

/** Offers the routine that the address carries, once; says when it carries none that is known. */
function useRoutineFromLink(offer: (routine: Routine) => void): void {
  const dispatch = useAppDispatch();
  const [search, setSearch] = useSearchParams();
  const text = search.get('routine');
  useEffect(() => {
    if (text === null) return;
    const routine = routineFromLink(text);
    if (routine) offer(routine);
    else dispatch(noticed({ key: 'routines.badLink' }));
    setSearch({}, { replace: true });
  }, [text, offer, setSearch, dispatch]);
}

/** Opens the exercise that the address carries, once; says when it carries none that is known. */
function useExerciseFromLink(choose: (exercise: ExerciseParameters) => void): void {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const [search, setSearch] = useSearchParams();
  const text = search.get('exercise');
  useEffect(() => {
    if (text === null) return;
    const exercise = exerciseFromLink(text);
    if (exercise) choose(exercise);
    else dispatch(noticed({ key: 'exercise.shareBad' }));
    setSearch({}, { replace: true });
  }, [text, choose, setSearch, dispatch, t]);
}
