import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { exerciseScore, FAMILIES, STAGES, usualExercise, type ExerciseParameters } from '@inner-hum/core/exercise';
import { useCallback, useEffect, useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate, useSearchParams } from 'react-router';
import { Button } from '../../shared/controls';
import { ExerciseControls } from '../../shared/ExerciseControls';
import { exerciseMeta, exerciseTitle } from '../../shared/exerciseText';
import { Part } from '../../shared/Part';
import { useNoteName } from '../../shared/useNoteName';
import { useAppDispatch, useAppSelector } from '../../store';
import { noticed } from '../../store/notices';
import { exerciseOf, settingsChanged } from '../../store/settings';
import { phaseChanged } from '../../store/stand';
import { BlockList } from './BlockList';
import { exerciseFromLink, linkTo } from './link';
import { OwnExercises } from './OwnExercises';

/** The families in the order of a practice, the chosen one with its part and its breath, and the block. */
export default function ExercisesPage() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const nameOf = useNoteName();
  const settings = useAppSelector((state) => state.settings);
  const now = useMemo(() => exerciseOf(settings), [settings]);
  const score = useMemo(() => exerciseScore(now), [now]);
  const choose = useCallback(
    (exercise: ExerciseParameters) => {
      dispatch(settingsChanged({ exercise }));
      dispatch(phaseChanged('idle'));
    },
    [dispatch],
  );
  useExerciseFromLink(choose);
  const add = () => {
    dispatch(settingsChanged({ block: [...settings.block, now] }));
    dispatch(noticed({ text: t('exercise.added') }));
  };
  const share = async () => {
    await navigator.clipboard.writeText(linkTo(now));
    dispatch(noticed({ text: t('exercise.shared') }));
  };
  return (
    <Box maxWidth="80rem" pb="40px">
      <chakra.h1 fontFamily="heading" fontSize="2.2rem" fontWeight={500} mt="14px" mb="4px">
        {t('exercise.title')}
      </chakra.h1>
      <chakra.p color="inkSoft" mb="16px">
        {t('exercise.intro')}
      </chakra.p>
      <Grid templateColumns={{ base: '1fr', lg: '300px 1fr' }} gap="36px">
        <chakra.nav aria-label={t('exercise.title')}>
          {STAGES.map((stage) => (
            <Box key={stage} mb="14px">
              <chakra.h2 fontSize="0.88rem" color="inkSoft" fontWeight={600} mb="2px">
                {t(`stages.${stage}`)}
              </chakra.h2>
              {FAMILIES.filter((family) => family.stage === stage).map((family) => (
                <chakra.button
                  key={family.id}
                  display="block"
                  width="100%"
                  textAlign="left"
                  minHeight="36px"
                  px="10px"
                  borderLeftWidth="3px"
                  borderColor={family.id === now.family ? 'accent' : 'transparent'}
                  fontWeight={family.id === now.family ? 700 : 400}
                  cursor="pointer"
                  aria-current={family.id === now.family}
                  _hover={{ bg: 'channel' }}
                  onClick={() => choose(usualExercise(family, settings.instrumentId))}
                >
                  {t(`families.${family.id}.name`)}
                </chakra.button>
              ))}
            </Box>
          ))}
        </chakra.nav>
        <Box minWidth={0}>
          <chakra.h2 fontFamily="heading" fontSize="1.6rem" fontWeight={600}>
            {exerciseTitle(t, now, nameOf)}
          </chakra.h2>
          <chakra.p fontSize="1.1rem" mb="10px">
            {t(`families.${now.family}.what`)}
          </chakra.p>
          <Box maxHeight="320px" overflowY="auto" mb="14px">
            <Part score={score} />
          </Box>
          <ExerciseControls />
          <Flex gap="12px" wrap="wrap" mt="14px">
            <Button tone="strong" onClick={() => void navigate('/stand')}>
              {t('exercise.play')}
            </Button>
            <Button onClick={add}>{t('exercise.add')}</Button>
            <Button tone="quiet" onClick={() => void share()}>
              {t('exercise.share')}
            </Button>
          </Flex>
          <BlockList nameOf={(exercise) => `${exerciseTitle(t, exercise, nameOf)}, ${exerciseMeta(t, exercise)}`} />
          <OwnExercises exercise={now} onUse={choose} />
        </Box>
      </Grid>
    </Box>
  );
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
    else dispatch(noticed({ text: t('exercise.shareBad') }));
    setSearch({}, { replace: true });
  }, [text, choose, setSearch, dispatch, t]);
}
