import { chakra, Grid } from '@chakra-ui/react';
import { breathBudget, highestNote, TEMPO_RANGE_BPM, type Field } from '@inner-hum/core/exercise';
import { FAMILIES, familyById } from '@inner-hum/core/families';
import { DYNAMICS, instrumentById, zoneOf, type Dynamic } from '@inner-hum/core/theory';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { formatNumber } from '../../text/format';
import { Link } from 'react-router';
import { useAppDispatch, useAppSelector } from '../../store';
import {
  exerciseChanged,
  exerciseOf,
  mainNote,
  rulerOf,
  scoreOf,
  settingsChanged,
  usualFor,
} from '../../store/settings';
import { Choice, Tick } from '../../ui/controls';
import { PhraseField } from './PhraseField';
import { NotPossible } from './NotPossible';
import { NumberField } from '../../ui/NumberField';
import { useBreathFit, type OwnBreath } from './useBreathFit';
import { useNoteName } from '../../text/useNoteName';
import { CUES } from '@inner-hum/core/plan';
import { useHorn } from '../../store/useHorn';
import { tableText } from '../../text/tableText';

/** Longer breaths than this are remarked on until the player's own hold times are known, seconds. */
const LONG_BREATH_S = 20;

/** So short a breath needs no word about how long the player's lasts, seconds. */
const ASKS_BREATH_S = 8;

/** Where no breath was heard to its end, only what was held at least is known. */
const breathWords = ({ sure, fit }: OwnBreath) =>
  sure ? (fit.possible ? fit.fits : 'never') : fit.fits === 'withReserve' ? 'withReserve' : 'atLeast';

/** Everything that can be set on the exercise of the Stand, with the breath it asks for. */
export function ExerciseControls({ withFamily = false }: { readonly withFamily?: boolean }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const now = exerciseOf(settings);
  const family = familyById(now.family);
  const score = scoreOf(settings);
  const budget = breathBudget(score);
  const own = useBreathFit(score);
  const change = (part: Readonly<Record<string, number | string | boolean>>) => dispatch(exerciseChanged(part));
  const chooseFamily = (id: string) => {
    const usual = usualFor(settings, id);
    // A long tone is played on the note that is chosen already, where it is at home in its zone.
    const note = mainNote(now);
    const long = ['longTones', 'swells'].includes(familyById(id).stage);
    const stays = long && 'writtenMidi' in usual && zoneOf(note) === zoneOf(Number(usual['writtenMidi']));
    const writtenMidi = stays ? { writtenMidi: note } : {};
    dispatch(settingsChanged({ exercise: { ...usual, ...writtenMidi } }));
  };
  return (
    <chakra.section aria-label={t('exercise.settings')}>
      <NotPossible />
      <Grid templateColumns="repeat(auto-fit, minmax(104px, 1fr))" gap="12px" alignItems="start">
        {withFamily && (
          <chakra.div gridColumn="span 2">
            <Choice
              label={t('exercise.family')}
              value={now.family}
              options={FAMILIES.map((entry) => entry.id)}
              textOf={(id) => tableText(t, `families.${id}.name`)}
              onChange={chooseFamily}
            />
          </chakra.div>
        )}
        {Object.entries(family.fields)
          .filter(([, field]) => field.kind !== 'text')
          .map(([name, field]) => (
            <chakra.div key={`${now.family} ${name}`} gridColumn={widthOf(field, t)}>
              <FieldControl name={name} field={field} change={change} />
            </chakra.div>
          ))}
        <NumberField
          label={t('fields.tempoBpm')}
          value={now.tempoBpm}
          {...TEMPO_RANGE_BPM}
          onChange={(tempoBpm) => change({ tempoBpm })}
        />
      </Grid>
      <chakra.div display="flex" flexWrap="wrap" columnGap="26px" alignItems="center" mt="6px">
        <Tick
          label={t('stand.tunerHidden')}
          checked={now.tunerHidden}
          onChange={(tunerHidden) => change({ tunerHidden })}
        />
        <Tick
          label={t('stand.clickOn')}
          checked={settings.clickOn}
          onChange={(clickOn) => dispatch(settingsChanged({ clickOn }))}
        />
        <Tick
          label={t('stand.goesOn')}
          checked={settings.goesOn}
          onChange={(goesOn) => dispatch(settingsChanged({ goesOn }))}
        />
        {'speechSynthesis' in window && (
          <Tick
            label={t('stand.spoken')}
            checked={settings.spoken}
            onChange={(spoken) => dispatch(settingsChanged({ spoken }))}
          />
        )}
        <chakra.span color="inkSoft" marginLeft="auto" data-testid="breath">
          {t('stand.breathNeeded', { seconds: formatNumber(budget.longestBreathS, 1) })}
          {budget.totalS > budget.longestBreathS &&
            ` · ${t('stand.total', { seconds: formatNumber(budget.totalS, 0) })}`}
        </chakra.span>
      </chakra.div>
      {own && (own.sure || own.fit.fits === 'withReserve' || budget.longestBreathS > ASKS_BREATH_S) ? (
        <chakra.p color={own.sure && own.fit.fits === 'not' ? 'accent' : 'inkSoft'} data-testid="breath-fit">
          {t(`exercise.breath.${breathWords(own)}`, {
            hold: formatNumber(own.holdS, 1),
            just: own.fit.justBpm,
            reserve: own.fit.reserveBpm,
          })}{' '}
          {own.sure && own.fit.fits !== 'withReserve' && own.fit.reserveBpm <= TEMPO_RANGE_BPM.max && (
            <chakra.button
              textDecoration="underline"
              cursor="pointer"
              minHeight="24px"
              onClick={() => change({ tempoBpm: own.fit.reserveBpm })}
            >
              {t('exercise.breath.take', { reserve: own.fit.reserveBpm })}
            </chakra.button>
          )}
        </chakra.p>
      ) : (
        budget.longestBreathS > LONG_BREATH_S && (
          <chakra.p color="accent" fontWeight={600}>
            {t('stand.breathLong', { seconds: formatNumber(budget.longestBreathS, 0) })}
          </chakra.p>
        )
      )}
      <UsualMouthpiece />
      <MoreChoices />
      {rulerOf(settings).origin === 'assumed' && (
        <chakra.p color="inkSoft" fontSize="small" mt="4px">
          {t('stand.rulerAssumed')} <Link to="/set-up#ruler">{t('stand.rulerMeasure')}</Link>
        </chakra.p>
      )}
    </chakra.section>
  );
}

/** Where players of the size usually rest, for an exercise on the mouthpiece alone. */
function UsualMouthpiece() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const now = exerciseOf(useAppSelector((state) => state.settings));
  const midi = instrumentById(now.instrumentId).mouthpieceSoundingMidi;
  if (now['tube'] !== 'mouthpiece' || midi === undefined) return null;
  return <chakra.p color="inkSoft">{t('exercise.mouthpieceUsually', { note: nameOf(midi) })}</chakra.p>;
}

/** What is set more seldom. */
function MoreChoices() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  return (
    <chakra.details>
      <chakra.summary cursor="pointer" minHeight="32px" color="inkSoft">
        {t('exercise.more')}
      </chakra.summary>
      <chakra.div display="flex" flexWrap="wrap" gap="14px" mt="4px">
        <chakra.span width="150px">
          <Choice
            label={t('stand.silentBars')}
            value={String(settings.silentBarEvery)}
            options={['0', '4', '2']}
            textOf={(every) => tableText(t, `stand.silentBar.${every}`)}
            onChange={(every) => dispatch(settingsChanged({ silentBarEvery: Number(every) as 0 | 2 | 4 }))}
          />
        </chakra.span>
        <chakra.span width="230px">
          <Choice
            label={t('cues.label')}
            value={settings.cue}
            options={['', ...CUES]}
            textOf={(cue) => (cue === '' ? t('cues.none') : tableText(t, `cues.${cue}`))}
            onChange={(cue) => dispatch(settingsChanged({ cue }))}
          />
        </chakra.span>
        <chakra.span width="190px">
          <Choice
            label={t('stand.startOn')}
            value={settings.startOn}
            options={['beat', 'sound'] as const}
            textOf={(start) => t(start === 'beat' ? 'stand.startOnBeat' : 'stand.startOnSound')}
            onChange={(startOn) => dispatch(settingsChanged({ startOn }))}
          />
        </chakra.span>
      </chakra.div>
      <chakra.div display="flex" flexWrap="wrap" columnGap="26px">
        {settings.source === 'microphone' && (
          <Tick
            label={t('stand.hornGoesOn')}
            checked={settings.hornGoesOn}
            onChange={(hornGoesOn) => dispatch(settingsChanged({ hornGoesOn }))}
          />
        )}
        <Tick
          label={t('stand.fullOnStart')}
          checked={settings.fullOnStart}
          onChange={(fullOnStart) => dispatch(settingsChanged({ fullOnStart }))}
        />
      </chakra.div>
    </chakra.details>
  );
}

/** A field of a family: a note of the horn, a number between limits, or a choice. */
function FieldControl({
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
        onChange={(text) => change({ [name]: text })}
      />
    );
  if (field.kind !== 'choice') return null;
  return (
    <Choice
      label={label}
      value={String(now[name])}
      options={name === 'softest' || name === 'loudest' ? besides(name, now) : field.options}
      textOf={(option) => (isDynamic(option) ? option : tableText(t, `options.${option}`, { defaultValue: option }))}
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
function widthOf(field: Field, t: TFunction): string | undefined {
  if (field.kind === 'phrase') return '1 / -1';
  const isLong = (option: string) => !isDynamic(option) && tableText(t, `options.${option}`).length > SHORT;
  return field.kind === 'choice' && field.options.some(isLong) ? 'span 2' : undefined;
}

function isDynamic(option: string): boolean {
  return (DYNAMICS as readonly string[]).includes(option);
}
