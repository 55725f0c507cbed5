import { useState } from 'react';
import { number } from 'yup';
import { Field, TextInput } from './controls';

/**
 * A number between limits. What is typed stays as typed; only a number within the limits is handed on, and the limits
 * are said when it is not one.
 */
export function NumberField({
  label,
  value,
  min,
  max,
  step = 1,
  error,
  onChange,
}: {
  readonly label: string;
  readonly value: number | undefined;
  readonly min: number;
  readonly max: number;
  readonly step?: number;
  readonly error?: string;
  readonly onChange: (value: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const schema = number().required().min(min).max(max);
  const bad = typed !== null && !schema.isValidSync(typed);
  return (
    <Field label={label} error={bad ? (error ?? `${min}–${max}`) : undefined}>
      <TextInput
        type="number"
        inputMode="decimal"
        min={min}
        max={max}
        step={step}
        aria-invalid={bad}
        value={typed ?? value ?? ''}
        onChange={(event) => {
          setTyped(event.target.value);
          if (schema.isValidSync(event.target.value)) onChange(Number(event.target.value));
        }}
        onBlur={() => setTyped(null)}
      />
    </Field>
  );
}
