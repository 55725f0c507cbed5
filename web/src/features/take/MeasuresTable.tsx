import { chakra } from '@chakra-ui/react';
import {
  QUANTITY_ROWS,
  STEP_QUANTITIES,
  type Measured,
  type QuantityName,
  type QuantityRow,
  type StepMeasures,
  type StepQuantity,
} from '@inner-hum/core/measure';
import { useTranslation } from 'react-i18next';
import { Term } from '../../shared/page/Term';
import { formatNumber, formatSigned } from '../../text/format';

type Sounded = Extract<StepMeasures, { kind: 'sounded' }>;

/** What a row is called, what it is of, and its value. */
type Row = readonly [NameOfRow, QuantityName, Measured];
type NameOfRow = StepQuantity | 'releaseS' | 'slipCents' | `hold.${Sounded['hold']['fault']}`;

/** Rows whose word the guide explains. */
const TERM_OF: Readonly<Partial<Record<NameOfRow, string>>> = {
  responseS: 'response',
  pitchSteadinessCents: 'steadiness',
  shareInWindow: 'window',
  brokeUnderPDb: 'edge',
  heldUnderPDb: 'edge',
};

/** The numbers behind the sentences, each with its uncertainty. */
export function MeasuresTable({ measures }: { readonly measures: Sounded }) {
  const { t } = useTranslation();
  const { release, hold } = measures;
  const rows: Row[] = [
    ...STEP_QUANTITIES.filter((name) => {
      const { untold }: QuantityRow = QUANTITY_ROWS[name];
      return untold === undefined || (untold === 'absent' && measures[name].kind === 'measured');
    }).map((name): Row => [name, name, measures[name]]),
    ['releaseS', 'releaseS', release.fallS],
    ['slipCents', 'slipCents', release.slipCents],
    [`hold.${hold.fault}`, 'holdBeats', hold.beats],
  ];
  return (
    <chakra.table width="100%" css={{ '& td, & th': { py: '5px', borderBottomWidth: '1px', borderColor: 'line' } }}>
      <thead>
        <chakra.tr textAlign="left" color="inkSoft" fontSize="small">
          <th>{t('measures.quantity')}</th>
          <chakra.th textAlign="right">{t('measures.value')}</chakra.th>
          <chakra.th textAlign="right">{t('measures.uncertainty')}</chakra.th>
        </chakra.tr>
      </thead>
      <tbody>
        {rows.map(([name, of, quantity]) => {
          const { unit, factor, digits, signed } = QUANTITY_ROWS[of];
          const absent = quantity.kind === 'absent';
          const term = TERM_OF[name];
          const format = signed ? formatSigned : formatNumber;
          return (
            <tr key={name} data-testid={name} data-value={absent ? '' : quantity.value}>
              <td>{term ? <Term id={term}>{t(`measures.${name}`)}</Term> : t(`measures.${name}`)}</td>
              <chakra.td textAlign="right" whiteSpace="nowrap" color={absent ? 'inkSoft' : 'ink'}>
                {absent
                  ? t(`measures.absent.${quantity.reason}`)
                  : `${format(quantity.value * factor, digits)} ${t(`measures.units.${unit}`)}`}
              </chakra.td>
              <chakra.td textAlign="right" color="inkSoft" whiteSpace="nowrap">
                {!absent && `±${formatNumber(Math.max(quantity.uncertainty * factor, 10 ** -digits), digits)}`}
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
    ...(measures.upperMixed ?? []).map((mixed) => ({
      atS: mixed.atS,
      text: t('measures.mixedAt', { time: at(mixed.atS), ms: Math.round(1000 * mixed.lastsS) }),
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
