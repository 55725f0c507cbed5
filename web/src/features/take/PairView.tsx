import { Box, chakra, Flex } from '@chakra-ui/react';
import type { TakeRecord } from '@inner-hum/core/take';
import { modelOf } from '@inner-hum/core/exercise';
import { pairOutlines, valueOf, type StepMeasures } from '@inner-hum/core/measure';
import type { Frames } from '@inner-hum/core/signal';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { formatNumber, formatSigned } from '../../text/format';
import { SectionTitle } from '../../ui/PageTitle';
import { OutlinesOver } from '../../shared/take/OutlinesOver';
import { usePartialName } from '../../text/usePartialName';
import { useNoteName } from '../../text/useNoteName';

type Sounded = Extract<StepMeasures, { kind: 'sounded' }>;
interface Pair {
  readonly index: number;
  readonly model: number;
  readonly first: Sounded;
  readonly second: Sounded;
}

/** Regular tone against overtone: two outlines of their partials, and how the pairs of the take compare. */
export function PairView({ record, frames }: { readonly record: TakeRecord; readonly frames: Frames }) {
  const { t } = useTranslation();
  const pairs = record.measures.flatMap((second, index): Pair[] => {
    if (second.kind !== 'sounded' || !second.pair) return [];
    const model = modelOf(record.score.steps, index);
    const first = record.measures[model];
    return first?.kind === 'sounded' ? [{ index, model, first, second }] : [];
  });
  const [shown, show] = useState(0);
  const pair = pairs[shown];
  if (!pair) return null;
  const farthest = Math.max(...pairs.map((entry) => distanceOf(entry) ?? 0), 6);
  return (
    <Box mt="26px">
      <SectionTitle>{t('pair.title')}</SectionTitle>
      <Flex gap="32px" wrap="wrap">
        <Outlines record={record} frames={frames} pair={pair} />
        <Box flex="1 1 320px">
          <PairNumbers pair={pair} />
          <chakra.h3 fontWeight={600} mt="14px">
            {t('pair.overTries')}
          </chakra.h3>
          {pairs.map((entry, i) => (
            <Flex key={entry.index} align="center" gap="10px">
              <Button tone="quiet" minHeight="32px" py="2px" aria-pressed={i === shown} onClick={() => show(i)}>
                {t('pair.number', { number: i + 1 })}
              </Button>
              <chakra.span
                height="10px"
                borderRadius="5px"
                bg={i === shown ? 'accent' : 'ink'}
                style={{ width: `${(55 * (distanceOf(entry) ?? 0)) / farthest}%` }}
              />
              <span>
                {distanceOf(entry) === undefined ? '–' : t('pair.db', { db: formatNumber(distanceOf(entry)!, 1) })}
              </span>
            </Flex>
          ))}
        </Box>
      </Flex>
    </Box>
  );
}

function distanceOf({ second }: Pair): number | undefined {
  return valueOf(second.pair!.spectralDistanceDb);
}

/** The two outlines over one another: the first as a filled shape, the second as a line with rings. */
function Outlines({
  record,
  frames,
  pair,
}: {
  readonly record: TakeRecord;
  readonly frames: Frames;
  readonly pair: Pair;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const partialName = usePartialName();
  const { first, second } = pairOutlines(frames, pair.first, pair.second);
  const [one, other] = [record.score.steps[pair.model]!, record.score.steps[pair.index]!];
  const title = (step: typeof one) =>
    step.partialNumber > 1
      ? t('overtones.sourceName', { fingered: nameOf(step.fingeredMidi), partial: partialName(step.partialNumber) })
      : nameOf(step.soundedMidi);
  return (
    <OutlinesOver
      first={first}
      second={second}
      label={t('pair.outlines', { first: title(one), second: title(other) })}
      caption={t('pair.caption', { first: title(one), second: title(other) })}
    />
  );
}

function PairNumbers({ pair: { second } }: { readonly pair: Pair }) {
  const { t } = useTranslation();
  const { pitchCents, levelDb, centroidPartials, spectralDistanceDb, changeS } = second.pair!;
  const text = (quantity: typeof pitchCents, decimals: number, factor = 1) => {
    const value = valueOf(quantity);
    return value === undefined ? '–' : formatSigned(factor * value, decimals);
  };
  const rows = [
    ['pitch', `${text(pitchCents, 0)} ${t('measures.units.cents')}`],
    ['level', `${text(levelDb, 1)} dB`],
    ['colour', `${text(centroidPartials, 1)} ${t('measures.units.partials')}`],
    ['distance', `${text(spectralDistanceDb, 1).replace('+', '')} dB`],
    ['change', `${text(changeS, 0, 1000)} ms`],
    ['glitch', second.slur ? `${formatNumber(1000 * second.slur.glitchS, 0)} ms` : '–'],
  ] as const;
  return (
    <chakra.dl display="grid" gridTemplateColumns="1fr auto" columnGap="16px" rowGap="3px">
      {rows.map(([name, value]) => [
        <dt key={name}>{t(`pair.${name}`)}</dt>,
        <chakra.dd key={`${name} value`} textAlign="right" fontVariantNumeric="tabular-nums">
          {value}
        </chakra.dd>,
      ])}
    </chakra.dl>
  );
}
