import { highestNote, type Field } from '@inner-hum/core/exercise';
import { DYNAMICS, type Dynamic } from '@inner-hum/core/theory';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { useAppSelector } from '../../store';
import { exerciseOf } from '../../store/settings';
import { Choice } from '../../ui/controls';
import { PhraseField } from './PhraseField';
import { NumberField } from '../../ui/NumberField';
import { useNoteName } from '../../text/useNoteName';
import { useHorn } from '../../store/useHorn';
import { isDynamic, optionText } from '../../text/optionText';
import { tableText } from '../../text/tableText';

/** A field of a family: a note of the horn, a number between limits, or a choice. */
export function FieldControl({
  name,
  field,
  change,
}: {
  readonly name: string;
  readonly field: Field;
  readonly change: (part: Readonly<Record<string, number | string>>) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const settings = useAppSelector((state) => state.settings);
  const now = exerciseOf(settings);
  const horn = useHorn();
  const label = tableText(t, `fields.${name}`);
  if (field.kind === 'number')
    return (
      <NumberField
        label={label}
        value={Number(now[name])}
        min={field.min}
        max={field.max}
        onChange={(value) => change({ [name]: value })}
      />
    );
  if (field.kind === 'note') {
    const notes = Array.from({ length: highestNote(horn) - horn.lowestWrittenMidi + 1 }, (_, i) =>
      String(horn.lowestWrittenMidi + i),
    );
    return (
      <Choice
        label={label}
        value={String(now[name])}
        options={notes}
        textOf={(midi) => nameOf(Number(midi))}
        onChange={(midi) => change({ [name]: Number(midi) })}
      />
    );
  }
  if (field.kind === 'phrase')
    return (
      <PhraseField
        key={settings.noteNames}
        label={label}
        value={String(now[name])}
        asWritten={field.asWritten === true}
        onChange={(text) => change({ [name]: text })}
      />
    );
  if (field.kind !== 'choice') return null;
  return (
    <Choice
      label={label}
      value={String(now[name])}
      options={name === 'softest' || name === 'loudest' ? besides(name, now) : field.options}
      textOf={(option) => optionText(t, option)}
      onChange={(option) => change({ [name]: option })}
    />
  );
}

/** Dynamics that keep the softest softer than the loudest. */
function besides(name: 'softest' | 'loudest', now: Readonly<Record<string, unknown>>): readonly string[] {
  if (name === 'softest') return DYNAMICS.slice(0, DYNAMICS.indexOf(now['loudest'] as Dynamic));
  return DYNAMICS.slice(DYNAMICS.indexOf(now['softest'] as Dynamic) + 1);
}

/** Letters that the room of one field holds. */
const SHORT = 9;

/** A phrase takes the whole row; choices whose words are long the room of two fields. */
export function widthOf(field: Field, t: TFunction): string | undefined {
  if (field.kind === 'phrase') return '1 / -1';
  const isLong = (option: string) => !isDynamic(option) && optionText(t, option).length > SHORT;
  return field.kind === 'choice' && field.options.some(isLong) ? 'span 2' : undefined;
}
