import { parsePhrase, PhraseError, phraseText } from '@inner-hum/core/exercise';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useAppSelector } from '../../store';
import { Field, TextInput } from '../../ui/controls';

/** Notes as text in the player's own names; what is not understood is named, and the last good phrase stays. */
export function PhraseField({
  label,
  value,
  asWritten = false,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  /** whether all marks of a passage count, not only notes, lengths and rests */
  readonly asWritten?: boolean;
  readonly onChange: (phrase: string) => void;
}) {
  const { t } = useTranslation();
  const system = useAppSelector((state) => state.settings.noteNames);
  const spelling = useAppSelector((state) => state.settings.spelling);
  const [text, setText] = useState(() => phraseText(parsePhrase(value), system, spelling));
  const [error, setError] = useState<PhraseError>();
  // What another way of entry made of it is shown at once.
  const [own, setOwn] = useState(value);
  if (value !== own) {
    setOwn(value);
    setText(phraseText(parsePhrase(value), system, spelling));
    setError(undefined);
  }
  const take = (typed: string) => {
    setText(typed);
    try {
      const phrase = phraseText(parsePhrase(typed, system));
      setOwn(phrase);
      onChange(phrase);
      setError(undefined);
    } catch (problem) {
      if (problem instanceof PhraseError) setError(problem);
    }
  };
  return (
    <Field
      label={label}
      help={asWritten ? `${t('phrase.help')} ${t('phrase.marks')}` : t('phrase.plain')}
      error={error && t(`phrase.${error.reason}`, { word: error.word, text: error.text })}
    >
      <TextInput value={text} aria-invalid={error !== undefined} onChange={(event) => take(event.target.value)} />
    </Field>
  );
}
