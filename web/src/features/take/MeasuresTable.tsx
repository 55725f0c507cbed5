import { chakra } from '@chakra-ui/react';
import type { Measured, StepMeasures } from '@inner-hum/core/measure';
import { useTranslation } from 'react-i18next';
import { formatNumber, formatSigned } from '../../shared/format';

type Sounded = Extract<StepMeasures, { kind: 'sounded' }>;
type Unit = 'ms' | 'cents' | 'centsPerS' | 'db' | 'percent' | 'beats' | 'hz' | 'partials';

/** What is told of a step, in which unit, times which factor, with how many decimals, signed or not. */
const ROWS = [
  ['responseS', 'ms', 1000, 0, false],
  ['latenessS', 'ms', 1000, 0, true],
  ['riseS', 'ms', 1000, 0, false],
  ['settleS', 'ms', 1000, 0, false],
  ['scoopCents', 'cents', 1, 1, true],
  ['pitchCentreCents', 'cents', 1, 1, true],
  ['pitchSteadinessCents', 'cents', 1, 1, false],
  ['driftCentsPerS', 'centsPerS', 1, 1, true],
  ['shareInWindow', 'percent', 100, 0, false],
  ['pitchAgainstLevelCents', 'cents', 1, 1, true],
  ['rangeDb', 'db', 1, 1, false],
  ['swellErrorDb', 'db', 1, 1, false],
  ['wrongWayShare', 'percent', 100, 0, false],
  ['peakPlaceBeats', 'beats', 1, 2, true],
  ['vibratoHz', 'hz', 1, 1, false],
  ['vibratoCents', 'cents', 1, 1, false],
  ['vibratoRegularity', 'percent', 100, 0, false],
  ['centroidPartials', 'partials', 1, 1, false],
  ['centroidAgainstLevel', 'partials', 1, 1, true],
  ['breathRatioDb', 'db', 1, 1, false],
  ['breathAgainstLevel', 'db', 1, 1, true],
  ['breathAtSoftEndDb', 'db', 1, 1, false],
  ['levelAgainstPlanDb', 'db', 1, 1, true],
  ['softestDb', 'db', 1, 1, false],
] as const satisfies readonly (readonly [keyof Sounded, Unit, number, number, boolean])[];

/** Told only of a tone that has a vibrato. */
const VIBRATO_ONLY = new Set<string>(['vibratoCents', 'vibratoRegularity']);

type Row = readonly [NameOfRow, Measured, Unit, number, number, boolean];
type NameOfRow = (typeof ROWS)[number][0] | 'releaseS' | 'slipCents' | `hold.${Sounded['hold']['fault']}`;

/** The numbers behind the sentences, each with its uncertainty. */
export function MeasuresTable({ measures }: { readonly measures: Sounded }) {
  const { t } = useTranslation();
  const { release, hold } = measures;
  const rows: Row[] = [
    ...ROWS.filter(([name]) => !VIBRATO_ONLY.has(name) || measures[name].kind === 'measured').map(
      ([name, ...rest]): Row => [name, measures[name], ...rest],
    ),
    ['releaseS', release.fallS, 'ms', 1000, 0, false],
    ['slipCents', release.slipCents, 'cents', 1, 1, true],
    [`hold.${hold.fault}`, hold.beats, 'beats', 1, 1, false],
  ];
  return (
    <chakra.table width="100%" css={{ '& td, & th': { py: '5px', borderBottomWidth: '1px', borderColor: 'line' } }}>
      <thead>
        <chakra.tr textAlign="left" color="inkSoft" fontSize="0.85rem">
          <th>{t('measures.quantity')}</th>
          <chakra.th textAlign="right">{t('measures.value')}</chakra.th>
          <chakra.th textAlign="right">{t('measures.uncertainty')}</chakra.th>
        </chakra.tr>
      </thead>
      <tbody>
        {rows.map(([name, quantity, unit, factor, decimals, signed]) => {
          const absent = quantity.kind === 'absent';
          const format = signed ? formatSigned : formatNumber;
          return (
            <tr key={name} data-testid={name} data-value={absent ? '' : quantity.value}>
              <td>{t(`measures.${name}`)}</td>
              <chakra.td textAlign="right" whiteSpace="nowrap" color={absent ? 'inkSoft' : 'ink'}>
                {absent
                  ? t(`measures.absent.${quantity.reason}`)
                  : `${format(quantity.value * factor, decimals)} ${t(`measures.units.${unit}`)}`}
              </chakra.td>
              <chakra.td textAlign="right" color="inkSoft" whiteSpace="nowrap">
                {!absent && `±${formatNumber(Math.max(quantity.uncertainty * factor, 10 ** -decimals), decimals)}`}
              </chakra.td>
            </tr>
          );
        })}
      </tbody>
    </chakra.table>
  );
}

/** Stairs, jumps and drop-outs with their times; a time puts the cursor there. */
export function Events({
  measures,
  onPlace,
}: {
  readonly measures: Sounded;
  readonly onPlace: (timeS: number) => void;
}) {
  const { t } = useTranslation();
  const at = (timeS: number) => formatNumber(timeS - measures.plannedStartS, 2);
  const events = [
    ...measures.stairs.map((stair) => ({
      atS: stair.atS,
      text: t('measures.stairAt', { db: formatSigned(stair.db, 1), time: at(stair.atS) }),
    })),
    ...measures.jumps.map((jump) => ({
      atS: jump.atS,
      text: t(`measures.${jump.kind}At`, {
        partial: jump.toPartial,
        time: at(jump.atS),
        ms: Math.round(1000 * jump.lastsS),
      }),
    })),
    ...measures.dropOuts.map((gap) => ({
      atS: gap.atS,
      text: t('measures.dropOutAt', { time: at(gap.atS), ms: Math.round(1000 * gap.lastsS) }),
    })),
  ].sort((a, b) => a.atS - b.atS);
  if (events.length === 0) return <p>{t('measures.noEvents')}</p>;
  return (
    <chakra.ul listStyleType="none">
      {events.map(({ atS, text }) => (
        <li key={`${atS} ${text}`}>
          <chakra.button
            textDecoration="underline"
            cursor="pointer"
            minHeight="32px"
            onClick={() => onPlace(atS)}
            data-testid="event"
            data-at={atS - measures.plannedStartS}
          >
            {text}
          </chakra.button>
        </li>
      ))}
    </chakra.ul>
  );
}
