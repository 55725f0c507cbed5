import { chakra } from '@chakra-ui/react';
import { type ExerciseIssue } from '@inner-hum/core/exercise';
import { familyById, playable, type FieldChange } from '@inner-hum/core/families';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { useAppDispatch, useAppSelector } from '../../store';
import { chosenExercise, settingsChanged } from '../../store/settings';
import { Button } from '../../ui/controls';
import { useNoteName } from '../../text/useNoteName';
import { optionText } from '../../text/optionText';
import { tableText } from '../../text/tableText';

/** Why the chosen exercise can't be played as it is, and the nearest that can, which the Stand plays. */
export function NotPossible() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const { exercise, issue, changes } = playable(chosenExercise(settings));
  if (!issue) return null;
  const { fields } = familyById(exercise.family);
  const changeText = ({ field, to }: FieldChange) => {
    const kind = fields[field]?.kind;
    const value = kind === 'note' ? nameOf(Number(to)) : kind === 'choice' ? optionText(t, String(to)) : String(to);
    return `${fieldText(t, field)} ${value}`;
  };
  const why = issueText(t, issue, nameOf);
  return (
    <chakra.p role="status" color="accent" fontWeight={600} mb="8px" data-testid="not-possible">
      {t('exercise.notPossible.sentence', { why, changes: changes.map(changeText).join(', ') })}{' '}
      <Button tone="quiet" onClick={() => dispatch(settingsChanged({ exercise }))}>
        {t('exercise.notPossible.take')}
      </Button>
    </chakra.p>
  );
}

/** What stands in the way of an exercise, as a clause with its full stop. */
function issueText(t: TFunction, issue: ExerciseIssue, nameOf: (midi: number) => string): string {
  const values = Object.fromEntries(
    Object.entries(issue).map(([name, value]) => {
      const isNote = name === 'midi' || name === 'limit' || issue.reason === 'fingered';
      return [name, isNote && typeof value === 'number' ? nameOf(value) : value];
    }),
  );
  return tableText(t, `exercise.notPossible.${issue.reason}`, {
    ...values,
    note: values['midi'],
    field: fieldText(t, issue.path),
  });
}

function fieldText(t: TFunction, field: string): string {
  return tableText(t, `fields.${field}`, { defaultValue: field });
}
