import { chakra, Grid } from '@chakra-ui/react';
import { breathBudget, swell, SWELL_LIMITS, SWELL_SHAPES } from '@inner-hum/core/exercise';
import { ALTISSIMO_REACH_SEMITONES, DYNAMICS, instrumentById } from '@inner-hum/core/theory';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Choice, Tick } from '../../shared/controls';
import { NumberField } from '../../shared/NumberField';
import { useNoteName } from '../../shared/useNoteName';
import { useAppDispatch, useAppSelector } from '../../store';
import { rulerOf, settingsChanged, swellChanged, swellOf } from '../../store/settings';

/** Longer breaths than this are remarked on until the player's own hold times are known, seconds. */
const LONG_BREATH_S = 20;

/** Everything that can be set on the swell, with the breath it asks for. */
export function SwellControls() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const nameOf = useNoteName();
  const settings = useAppSelector((state) => state.settings);
  const { swell: now, clickOn, startOn } = settings;
  const horn = instrumentById(settings.instrumentId);
  const notes = Array.from(
    { length: horn.highestKeyedWrittenMidi + ALTISSIMO_REACH_SEMITONES - horn.lowestWrittenMidi + 1 },
    (_, i) => String(horn.lowestWrittenMidi + i),
  );
  const budget = breathBudget(swell(swellOf(settings)));
  const change = (part: Partial<typeof now>) => dispatch(swellChanged(part));
  const soft = DYNAMICS.indexOf(now.softest);
  const loud = DYNAMICS.indexOf(now.loudest);
  return (
    <chakra.section aria-label={t('stand.moreSettings')}>
      <Grid
        templateColumns={{
          base: 'repeat(2, 1fr)',
          md: 'repeat(4, 1fr)',
          xl: '1fr 1.7fr 0.8fr 0.8fr 0.8fr 0.8fr 1.1fr 0.7fr',
        }}
        gap="12px"
        alignItems="start"
      >
        <Choice
          label={t('stand.note')}
          value={String(now.writtenMidi)}
          options={notes}
          textOf={(midi) => nameOf(Number(midi))}
          onChange={(midi) => change({ writtenMidi: Number(midi) })}
        />
        <Choice
          label={t('stand.shape')}
          value={now.shape}
          options={SWELL_SHAPES}
          textOf={(shape) => t(`shapes.${shape}`)}
          onChange={(shape) => change({ shape })}
        />
        <Choice
          label={t('stand.softest')}
          value={now.softest}
          options={DYNAMICS.slice(0, loud)}
          textOf={String}
          onChange={(softest) => change({ softest })}
        />
        <Choice
          label={t('stand.loudest')}
          value={now.loudest}
          options={DYNAMICS.slice(soft + 1)}
          textOf={String}
          onChange={(loudest) => change({ loudest })}
        />
        <NumberField
          label={t('stand.beats')}
          value={now.beats}
          {...SWELL_LIMITS.beats}
          onChange={(beats) => change({ beats })}
        />
        <NumberField
          label={t('stand.tempo')}
          value={now.tempoBpm}
          {...SWELL_LIMITS.tempoBpm}
          onChange={(tempoBpm) => change({ tempoBpm })}
        />
        <Choice
          label={t('stand.attack')}
          value={now.attack}
          options={['breath', 'tongue'] as const}
          textOf={(attack) => t(`attacks.${attack}`)}
          onChange={(attack) => change({ attack })}
        />
        <NumberField
          label={t('stand.repeats')}
          value={now.repeats}
          {...SWELL_LIMITS.repeats}
          onChange={(repeats) => change({ repeats })}
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
          checked={clickOn}
          onChange={(on) => dispatch(settingsChanged({ clickOn: on }))}
        />
        <chakra.span width="190px">
          <Choice
            label={t('stand.startOn')}
            value={startOn}
            options={['beat', 'sound'] as const}
            textOf={(start) => t(start === 'beat' ? 'stand.startOnBeat' : 'stand.startOnSound')}
            onChange={(start) => dispatch(settingsChanged({ startOn: start }))}
          />
        </chakra.span>
        {now.repeats > 1 && (
          <chakra.span width="120px">
            <NumberField
              label={t('stand.restBeats')}
              value={now.restBeats}
              {...SWELL_LIMITS.restBeats}
              onChange={(restBeats) => change({ restBeats })}
            />
          </chakra.span>
        )}
        <chakra.span color="inkSoft" marginLeft="auto" data-testid="breath">
          {t('stand.breathNeeded', { seconds: budget.longestBreathS.toFixed(1) })}
          {now.repeats > 1 && ` · ${t('stand.total', { seconds: budget.totalS.toFixed(0) })}`}
        </chakra.span>
      </chakra.div>
      {budget.longestBreathS > LONG_BREATH_S && (
        <chakra.p color="accent" fontWeight={600}>
          {t('stand.breathLong', { seconds: budget.longestBreathS.toFixed(0) })}
        </chakra.p>
      )}
      {rulerOf(settings).origin === 'assumed' && (
        <chakra.p color="inkSoft" fontSize="0.92rem" mt="4px">
          {t('stand.rulerAssumed')} <Link to="/set-up#ruler">{t('stand.rulerMeasure')}</Link>
        </chakra.p>
      )}
    </chakra.section>
  );
}
