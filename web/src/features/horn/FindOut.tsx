import { Box, chakra, Flex } from '@chakra-ui/react';
import {
  ASKED_AT_ONCE,
  ASKED_QUANTITIES,
  drawOrder,
  PROBE_DYNAMICS,
  type Experiment,
} from '@inner-hum/core/experiments';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { dayOf } from '../../base/days';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { entry } from '../../store/lists';
import { listsChanged } from '../../store/settings';
import { useHorn } from '../../store/useHorn';
import { tableText } from '../../text/tableText';
import { useNoteName } from '../../text/useNoteName';
import { Button, Choice, Field, TextInput, Tick } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';
import { BAND_OF, LETTERS } from '../../text/trialText';

const NO_NOTE = '';
/** Low, middle, over the break, high: written D4, A4, E5, B5. */
const USUAL_NOTES = [62, 69, 76, 83].map(String);
const KINDS = ['ways', 'around'] as const;

/** The questions of this horn, and a way to ask one more. */
export function FindOut() {
  const { t } = useTranslation();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const experiments = useAppSelector((state) => state.settings.experiments);
  const own = experiments.filter((experiment) => experiment.instrumentId === instrumentId);
  return (
    <chakra.section mb="30px" maxWidth="64rem" data-testid="find-out">
      <SectionTitle>{t('findOut.title')}</SectionTitle>
      <chakra.p color="inkSoft" mb="8px">
        {t('findOut.why')}
      </chakra.p>
      {own.length === 0 && <p>{t('findOut.none')}</p>}
      <chakra.ul listStyleType="none">
        {own.map(({ id, question, variants }) => (
          <chakra.li key={id} py="4px">
            <Link to={`/horn/compare/${id}`}>{question}</Link>{' '}
            <chakra.span color="inkSoft">{variants.map((way, i) => `${LETTERS[i]} ${way}`).join(' · ')}</chakra.span>
          </chakra.li>
        ))}
      </chakra.ul>
      <chakra.details mt="8px">
        <chakra.summary cursor="pointer" minHeight="44px" py="10px" fontWeight={600}>
          {t('findOut.ask')}
        </chakra.summary>
        <Question key={own.length} />
      </chakra.details>
    </chakra.section>
  );
}

/** The two or three ways that are set against each other, in the player's words. */
function Ways({
  ways,
  onChange,
}: {
  readonly ways: readonly string[];
  readonly onChange: (ways: readonly string[]) => void;
}) {
  const { t } = useTranslation();
  return (
    <Flex gap="12px" wrap="wrap" align="flex-end">
      {ways.map((way, i) => (
        <Field key={i} label={t('findOut.variant', { letter: LETTERS[i]! })} flex="1 1 200px">
          <TextInput
            value={way}
            maxLength={100}
            placeholder={i < 2 ? t(`findOut.variantExample.${i === 0 ? 'a' : 'b'}`) : ''}
            onChange={(event) => onChange(ways.with(i, event.target.value))}
          />
        </Field>
      ))}
      {ways.length < LETTERS.length && (
        <Button tone="quiet" onClick={() => onChange([...ways, ''])}>
          {t('findOut.third')}
        </Button>
      )}
    </Flex>
  );
}

/** The notes that are played in each try. */
function ProbeNotes({
  notes,
  onChange,
}: {
  readonly notes: readonly string[];
  readonly onChange: (notes: readonly string[]) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const horn = useHorn();
  const noteOptions = [
    NO_NOTE,
    ...Array.from({ length: horn.highestKeyedWrittenMidi - horn.lowestWrittenMidi + 1 }, (_, i) =>
      String(horn.lowestWrittenMidi + i),
    ),
  ];
  return (
    <chakra.fieldset>
      <chakra.legend fontSize="small" color="inkSoft">
        {t('findOut.notes')}
      </chakra.legend>
      <Flex gap="12px" wrap="wrap">
        {notes.map((note, i) => (
          <Choice
            key={i}
            label={t('findOut.note', { number: i + 1 })}
            value={note}
            options={noteOptions}
            textOf={(one) => (one === NO_NOTE ? t('findOut.noNote') : nameOf(Number(one)))}
            onChange={(one) => onChange(notes.with(i, one))}
          />
        ))}
      </Flex>
    </chakra.fieldset>
  );
}

/** The form of a new question. What is missing is said beside its button. */
function Question() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [question, setQuestion] = useState('');
  const [kind, setKind] = useState<Experiment['kind']>('ways');
  const [ways, setWays] = useState<readonly string[]>(['', '']);
  const [notes, setNotes] = useState<readonly string[]>(USUAL_NOTES);
  const [dynamics, setDynamics] = useState<Experiment['dynamics']>(['p', 'mf']);
  const [about, setAbout] = useState<Experiment['about']>(['pitchSteadinessCents']);
  const variants = ways.map((way) => way.trim());
  const probed = [...new Set(notes.filter((note) => note !== NO_NOTE))].map(Number).sort((a, b) => a - b);
  const whole =
    question.trim() !== '' &&
    variants.every((way) => way !== '') &&
    new Set(variants).size === variants.length &&
    probed.length > 0 &&
    dynamics.length > 0 &&
    about.length > 0;
  const begin = () => {
    const id = crypto.randomUUID();
    const { instrumentId } = store.getState().settings;
    const experiment: Experiment = {
      ...{ id, question: question.trim(), variants, kind, instrumentId, notes: probed, dynamics, about },
      order: drawOrder(kind, variants.length, Math.random),
      startedOn: dayOf(new Date()),
      picks: [],
    };
    dispatch(listsChanged([entry.added('experiments', experiment)]));
    void navigate(`/horn/compare/${id}`);
  };
  return (
    <Flex direction="column" gap="12px" maxWidth="46rem">
      <Field label={t('findOut.question')}>
        <TextInput
          value={question}
          maxLength={300}
          placeholder={t('findOut.questionExample')}
          onChange={(event) => setQuestion(event.target.value)}
        />
      </Field>
      <Choice
        label={t('findOut.kind')}
        help={t(`findOut.kindsWhy.${kind}`)}
        value={kind}
        options={KINDS}
        textOf={(choice) => t(`findOut.kinds.${choice}`)}
        onChange={setKind}
      />
      <Ways ways={ways} onChange={setWays} />
      <ProbeNotes notes={notes} onChange={setNotes} />
      <Ticks
        legend={t('findOut.dynamics')}
        options={PROBE_DYNAMICS}
        chosen={dynamics}
        most={PROBE_DYNAMICS.length}
        textOf={(dynamic) => t(`horn.bands.${BAND_OF[dynamic]}`)}
        onChange={setDynamics}
      />
      <Ticks
        legend={t('findOut.about', { most: ASKED_AT_ONCE })}
        options={ASKED_QUANTITIES}
        chosen={about}
        most={ASKED_AT_ONCE}
        textOf={(quantity) => tableText(t, `compare.quantities.${quantity}`)}
        onChange={setAbout}
      />
      <Flex gap="14px" align="center" wrap="wrap">
        <Button tone="strong" disabled={!whole} onClick={begin}>
          {t('findOut.start')}
        </Button>
        {!whole && <chakra.span color="inkSoft">{t('findOut.missing')}</chakra.span>}
      </Flex>
    </Flex>
  );
}

/** A few of several, at most so many. */
function Ticks<T extends string>({
  legend,
  options,
  chosen,
  most,
  textOf,
  onChange,
}: {
  readonly legend: string;
  readonly options: readonly T[];
  readonly chosen: readonly T[];
  readonly most: number;
  readonly textOf: (option: T) => string;
  readonly onChange: (chosen: readonly T[]) => void;
}) {
  const turned = (option: T, on: boolean) => {
    const others = chosen.filter((one) => one !== option);
    // One more than there may be takes the place of the first that was ticked.
    return on ? [...others.slice(Math.max(0, others.length + 1 - most)), option] : others;
  };
  return (
    <chakra.fieldset>
      <chakra.legend fontSize="small" color="inkSoft">
        {legend}
      </chakra.legend>
      <Flex columnGap="22px" wrap="wrap">
        {options.map((option) => (
          <Box key={option}>
            <Tick
              label={textOf(option)}
              checked={chosen.includes(option)}
              onChange={(on) => onChange(options.filter((one) => turned(option, on).includes(one)))}
            />
          </Box>
        ))}
      </Flex>
    </chakra.fieldset>
  );
}
