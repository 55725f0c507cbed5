import { chakra, Grid } from '@chakra-ui/react';
import { breathBudget, GOES_ON, TEMPO_RANGE_BPM } from '@inner-hum/core/exercise';
import { FAMILIES, familyById } from '@inner-hum/core/families';
import { instrumentById, zoneOf } from '@inner-hum/core/theory';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { formatNumber } from '../../text/format';
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
import { NotPossible } from './NotPossible';
import { NumberField } from '../../ui/NumberField';
import { useBreathFit, type OwnBreath } from './useBreathFit';
import { useNoteName } from '../../text/useNoteName';
import { optionText } from '../../text/optionText';
import { tableText } from '../../text/tableText';
import { FieldControl, widthOf } from './FieldControl';
import { MoreChoices } from './MoreChoices';

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
        {family.climbs && (
          <chakra.div gridColumn="span 2">
            <Choice
              label={t('fields.goesOn')}
              value={String(now['goesOn'] ?? GOES_ON[0])}
              options={GOES_ON}
              textOf={(option) => optionText(t, option)}
              onChange={(goesOn) => change({ goesOn })}
            />
          </chakra.div>
        )}
        <NumberField
          label={t('fields.tempoBpm')}
          value={now.tempoBpm}
          {...TEMPO_RANGE_BPM}
          onChange={(tempoBpm) => change({ tempoBpm })}
        />
      </Grid>
      <WhilePlaying />
      <OwnBreath />
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

/** What is seen and heard while it is played, and the breath that it asks for. */
function WhilePlaying() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const now = exerciseOf(settings);
  const { longestBreathS, totalS } = breathBudget(scoreOf(settings));
  return (
    <chakra.div display="flex" flexWrap="wrap" columnGap="26px" alignItems="center" mt="6px">
      <Tick
        label={t('stand.tunerHidden')}
        checked={now.tunerHidden}
        onChange={(tunerHidden) => dispatch(exerciseChanged({ tunerHidden }))}
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
        {[
          // A tone that lasts as long as it stays good asks nothing of the breath.
          ...(longestBreathS > 0 ? [t('stand.breathNeeded', { seconds: formatNumber(longestBreathS, 1) })] : []),
          ...(totalS > longestBreathS ? [t('stand.total', { seconds: formatNumber(totalS, 0) })] : []),
        ].join(' · ')}
      </chakra.span>
    </chakra.div>
  );
}

/** How the longest breath lies against the player's own, with a tempo that fits; of an unknown one only what is very long is said. */
function OwnBreath() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const score = useAppSelector((state) => scoreOf(state.settings));
  const budget = breathBudget(score);
  const own = useBreathFit(score);
  return own && (own.sure || own.fit.fits === 'withReserve' || budget.longestBreathS > ASKS_BREATH_S) ? (
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
          onClick={() => dispatch(exerciseChanged({ tempoBpm: own.fit.reserveBpm }))}
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
