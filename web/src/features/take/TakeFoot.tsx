import { Flex } from '@chakra-ui/react';
import type { WholeTake } from '@inner-hum/core/take';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { sizeOf } from '@inner-hum/core/theory';
import { changeNote } from '../../db/takeNotes';
import { Button, Field, TextArea } from '../../ui/controls';
import { deleteTake } from '../../store/undo';
import { useAppDispatch } from '../../store';
import { hornChosen, settingsChanged } from '../../store/settings';

export function NoteToSelf({ id, first }: { readonly id: string; readonly first: string }) {
  const { t } = useTranslation();
  const [text, setText] = useState(first);
  const [failed, setFailed] = useState(false);
  return (
    <Field
      label={t('take.note')}
      help={t('take.noteHint')}
      error={failed ? t('take.noteNotStored') : undefined}
      mt="14px"
    >
      <TextArea
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          changeNote(id, event.target.value).then(
            () => setFailed(false),
            () => setFailed(true),
          );
        }}
      />
    </Field>
  );
}

export function LastRow({ take }: { readonly take: WholeTake }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const again = () => {
    const { parameters } = take.record;
    dispatch(hornChosen(sizeOf(parameters.instrumentId)));
    dispatch(settingsChanged({ exercise: parameters }));
    void navigate('/stand');
  };
  return (
    <Flex gap="10px" mt="26px" wrap="wrap">
      <Button onClick={again}>{t('take.again')}</Button>
      <Button
        tone="quiet"
        onClick={() => {
          void deleteTake(take.record.id).then(() => navigate('/log'));
        }}
      >
        {t('take.delete')}
      </Button>
    </Flex>
  );
}
