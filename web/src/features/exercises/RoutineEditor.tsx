import { chakra, Flex } from '@chakra-ui/react';
import { isAsWritten, ROUTINE_LIMITS, type Routine, type RoutineBlock } from '@inner-hum/core/lesson';
import { useTranslation } from 'react-i18next';
import { exerciseTitle } from '../../text/exerciseText';
import { weekdayName } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { Button, Field, TextInput, Tick } from '../../ui/controls';
import { NumberField } from '../../ui/NumberField';

/** Minutes of a block that begins to go by the clock. */
const FIRST_MINUTES = 3;

export function RoutineEditor({
  routine,
  onChange,
  onDelete,
}: {
  readonly routine: Routine;
  readonly onChange: (routine: Routine) => void;
  readonly onDelete: (routine: Routine, name: string) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { name, days, must, remark, blocks } = routine;
  const change = (part: Partial<Routine>) => onChange({ ...routine, ...part });
  return (
    <Flex direction="column" gap="10px" py="8px">
      <Flex gap="10px" wrap="wrap">
        <Field label={t('exercise.keepName')} width="260px">
          <TextInput
            key={name}
            defaultValue={name}
            maxLength={80}
            onBlur={(event) => event.target.value.trim() !== '' && change({ name: event.target.value.trim() })}
          />
        </Field>
        <Field label={t('routines.remark')} width="340px">
          <TextInput
            key={remark}
            defaultValue={remark}
            maxLength={ROUTINE_LIMITS.text}
            onBlur={(event) => change({ remark: event.target.value })}
          />
        </Field>
      </Flex>
      <Flex role="group" aria-label={t('routines.days')} gap="14px" wrap="wrap">
        {Array.from({ length: 7 }, (_, day) => (
          <Tick
            key={day}
            label={weekdayName(day, 'weekdayShort')}
            checked={days.includes(day)}
            onChange={(on) => change({ days: on ? [...days, day].sort() : days.filter((other) => other !== day) })}
          />
        ))}
      </Flex>
      <Tick label={t('routines.must')} checked={must} onChange={(on) => change({ must: on })} />
      <Tick
        label={t('routines.asWritten')}
        checked={isAsWritten(routine)}
        onChange={(asWritten) => change({ asWritten })}
      />
      <chakra.p color="inkSoft" fontSize="small">
        {t('routines.asWrittenMeans')}
      </chakra.p>
      <chakra.ol listStyleType="decimal" pl="1.6em" display="flex" flexDirection="column" gap="8px">
        {blocks.map((part, i) => (
          <li key={`${i} ${JSON.stringify(part.exercise)}`}>
            <BlockEditor
              block={part}
              title={exerciseTitle(t, part.exercise, nameOf)}
              onChange={(changed) => change({ blocks: blocks.with(i, changed) })}
              onUp={i > 0 ? () => change({ blocks: blocks.toSpliced(i - 1, 2, part, blocks[i - 1]!) }) : undefined}
              onRemove={() =>
                onDelete({ ...routine, blocks: blocks.toSpliced(i, 1) }, exerciseTitle(t, part.exercise, nameOf))
              }
            />
          </li>
        ))}
      </chakra.ol>
    </Flex>
  );
}

/** One block of a routine: tries, rest, a remark, its place. */
function BlockEditor({
  block,
  title,
  onChange,
  onUp,
  onRemove,
}: {
  readonly block: RoutineBlock;
  readonly title: string;
  readonly onChange: (block: RoutineBlock) => void;
  /** one place earlier; the first has none */
  readonly onUp: (() => void) | undefined;
  readonly onRemove: () => void;
}) {
  const { minutes, ...byTries } = block;
  const { t } = useTranslation();
  return (
    <>
      <chakra.p>{title}</chakra.p>
      <Flex gap="10px" wrap="wrap" align="flex-end">
        {minutes === undefined ? (
          <NumberField
            label={t('routines.tries')}
            value={block.tries}
            min={1}
            max={ROUTINE_LIMITS.tries}
            onChange={(tries) => onChange({ ...block, tries: Math.round(tries) })}
          />
        ) : (
          <NumberField
            label={t('routines.byMinutes')}
            value={minutes}
            min={1}
            max={ROUTINE_LIMITS.minutes}
            onChange={(value) => onChange({ ...block, minutes: Math.round(value) })}
          />
        )}
        <Tick
          label={t('routines.byClock')}
          checked={minutes !== undefined}
          onChange={(on) => onChange(on ? { ...block, minutes: FIRST_MINUTES } : byTries)}
        />
        <NumberField
          label={t('routines.rest')}
          value={block.restS}
          min={0}
          max={ROUTINE_LIMITS.restS}
          step={5}
          onChange={(restS) => onChange({ ...block, restS: Math.round(restS) })}
        />
        <Field label={t('routines.remark')} width="260px">
          <TextInput
            key={block.remark}
            defaultValue={block.remark}
            maxLength={ROUTINE_LIMITS.text}
            onBlur={(event) => onChange({ ...block, remark: event.target.value })}
          />
        </Field>
        {onUp && (
          <Button tone="quiet" onClick={onUp}>
            {t('routines.up')}
          </Button>
        )}
        <Button tone="quiet" onClick={onRemove}>
          {t('exercise.remove')}
        </Button>
      </Flex>
    </>
  );
}
