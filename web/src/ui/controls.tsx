import { chakra } from '@chakra-ui/react';
import { useRef, type ComponentProps, type ReactNode } from 'react';

/** A button in the product's own look: `strong` for the one thing to do next, plain for the rest. */
export const Button = chakra('button', {
  base: {
    // On paper nothing can be pressed.
    _print: { display: 'none' },
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    gap: '0.6em',
    minHeight: '44px',
    px: '18px',
    py: '8px',
    borderRadius: 'field',
    borderWidth: '1.5px',
    borderColor: 'ink',
    bg: 'transparent',
    color: 'ink',
    fontSize: 'body',
    fontWeight: 600,
    cursor: 'pointer',
    // It keeps its width in a row; wider than its row it breaks.
    flexShrink: 0,
    maxWidth: '100%',
    textDecoration: 'none',
    _hover: { bg: 'channel' },
    _disabled: { opacity: 0.45, cursor: 'default' },
  },
  variants: {
    tone: {
      strong: {
        bg: 'accent',
        color: 'onAccent',
        borderColor: 'accent',
        _hover: { bg: 'ink', color: 'paper', borderColor: 'ink' },
      },
      plain: {},
      quiet: { borderColor: 'transparent', px: '10px', fontWeight: 500 },
    },
  },
  defaultVariants: { tone: 'plain' },
});

/** A key cap beside a label. */
export function Key({ children }: { readonly children: ReactNode }) {
  return (
    <chakra.kbd
      borderWidth="1.5px"
      borderColor="currentcolor"
      borderRadius="6px"
      px="7px"
      fontFamily="body"
      fontSize="0.8em"
      fontWeight={600}
      opacity={0.85}
      // Where there are no keys no key is named.
      css={{ '@media (hover: none)': { display: 'none' } }}
    >
      {children}
    </chakra.kbd>
  );
}

const fieldStyle = {
  minHeight: '44px',
  px: '10px',
  borderWidth: '1.5px',
  borderColor: 'line',
  borderRadius: 'field',
  bg: 'panel',
  color: 'ink',
  fontSize: 'body',
  fontWeight: 500,
  width: '100%',
  _hover: { borderColor: 'inkSoft' },
  _invalid: { borderColor: 'accent', borderWidth: '2px' },
} as const;

export const TextInput = chakra('input', { base: fieldStyle });
export const Select = chakra('select', { base: { ...fieldStyle, cursor: 'pointer' } });
export const TextArea = chakra('textarea', {
  base: { ...fieldStyle, py: '10px', minHeight: '96px', resize: 'vertical' },
});

/** A labelled field; `help` and `error` are read with it. */
export function Field({
  label,
  help,
  error,
  children,
  ...rest
}: {
  readonly label: string;
  readonly help?: string | undefined;
  readonly error?: string | undefined;
  readonly children: ReactNode;
} & ComponentProps<typeof chakra.label>) {
  return (
    <chakra.label display="flex" flexDirection="column" gap="4px" minWidth={0} {...rest}>
      <chakra.span fontSize="small" color="inkSoft" fontWeight={500}>
        {label}
      </chakra.span>
      {children}
      {help && !error && (
        <chakra.span fontSize="small" color="inkSoft">
          {help}
        </chakra.span>
      )}
      {error && (
        <chakra.span fontSize="small" color="accent" fontWeight={600} role="alert">
          {error}
        </chakra.span>
      )}
    </chakra.label>
  );
}

/** A choice of one out of a few, as a select. */
export function Choice<T extends string>({
  label,
  help,
  value,
  options,
  textOf,
  onChange,
}: {
  readonly label: string;
  readonly help?: string;
  readonly value: T;
  readonly options: readonly T[];
  readonly textOf: (option: T) => string;
  readonly onChange: (option: T) => void;
}) {
  const byPointer = useRef(false);
  return (
    <Field label={label} help={help}>
      <Select
        value={value}
        onPointerDown={() => (byPointer.current = true)}
        onKeyDown={() => (byPointer.current = false)}
        onChange={(event) => {
          onChange(event.target.value as T);
          // A choice made by hand gives the keys back to the place; one made by keys stays where it is.
          if (byPointer.current) event.target.blur();
        }}
      >
        {options.map((option) => (
          <option key={option} value={option}>
            {textOf(option)}
          </option>
        ))}
      </Select>
    </Field>
  );
}

/** A tick box with its words; the whole row is the target. */
export function Tick({
  label,
  help,
  checked,
  onChange,
}: {
  readonly label: string;
  readonly help?: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}) {
  return (
    <chakra.label display="flex" gap="10px" alignItems="flex-start" minHeight="44px" py="9px" cursor="pointer">
      <chakra.input
        type="checkbox"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
        width="22px"
        height="22px"
        flexShrink={0}
        accentColor="var(--chakra-colors-accent)"
      />
      <span>
        {label}
        {help && (
          <chakra.span display="block" fontSize="small" color="inkSoft">
            {help}
          </chakra.span>
        )}
      </span>
    </chakra.label>
  );
}
