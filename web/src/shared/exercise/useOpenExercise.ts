import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { useAppDispatch } from '../../store';
import { settingsChanged } from '../../store/settings';
import { verdictLeft } from '../../store/practice';

/** Puts an exercise on the Stand and goes there. */
export function useOpenExercise(): (exercise: ExerciseParameters) => void {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  return useCallback(
    (exercise) => {
      dispatch(settingsChanged({ exercise }));
      dispatch(verdictLeft());
      void navigate('/stand');
    },
    [dispatch, navigate],
  );
}
