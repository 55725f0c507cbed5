import { QUANTITY_ROWS } from '@inner-hum/core/measure';
import { Box, chakra, Flex } from '@chakra-ui/react';
import type { Comparison } from '@inner-hum/core/experiments';
import type { Quantity } from '@inner-hum/core/history';
import { useTranslation } from 'react-i18next';
import { formatNumber, formatSigned } from '../../text/format';
import { SectionTitle } from '../../ui/PageTitle';
import { useNoteName } from '../../text/useNoteName';
import { saidText, tableText } from '../../text/tableText';

const MOST_NOTES = 12;

/** What was found; `name` is that of the first side, of which each sentence speaks. */
export function Results({ found, name }: { readonly found: readonly Comparison[]; readonly name: string }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const overall = found.filter((comparison) => comparison.midi === undefined);
  const decided = found.filter((comparison) => comparison.midi !== undefined && comparison.decided);
  const open = found.filter((comparison) => comparison.midi !== undefined && comparison.moreTakes !== undefined);
  if (overall.length === 0) return <p>{t('compare.tooLittle')}</p>;
  return (
    <>
      <SectionTitle>{t('compare.overall')}</SectionTitle>
      {overall.map((comparison) => (
        <Row
          key={comparison.quantity}
          comparison={comparison}
          name={name}
          label={tableText(t, `compare.quantities.${comparison.quantity}`)}
        />
      ))}
      <SectionTitle mt="20px">{t('compare.decided')}</SectionTitle>
      {decided.length === 0 && <p>{t('compare.noneDecided')}</p>}
      {decided.slice(0, MOST_NOTES).map((comparison) => (
        <Row
          key={`${comparison.midi} ${comparison.quantity}`}
          comparison={comparison}
          name={name}
          label={`${nameOf(comparison.midi!)}, ${tableText(t, `compare.quantities.${comparison.quantity}`)}`}
        />
      ))}
      {open.length > 0 && (
        <>
          <SectionTitle mt="20px">{t('compare.undecided')}</SectionTitle>
          <chakra.ul pl="1.2em">
            {open.slice(0, MOST_NOTES).map((comparison) => (
              <li key={`${comparison.midi} ${comparison.quantity}`}>
                {t('compare.more', {
                  note: nameOf(comparison.midi!),
                  quantity: tableText(t, `compare.quantities.${comparison.quantity}`),
                  count: comparison.moreTakes,
                })}
              </li>
            ))}
          </chakra.ul>
        </>
      )}
    </>
  );
}

/** Half width of the drawing of each compared quantity, in its shown unit. */
const SPANS: Partial<Record<Quantity, number>> = {
  pitchCentreCents: 20,
  pitchSteadinessCents: 5,
  responseS: 120,
  softestDb: 8,
  breathRatioDb: 8,
  centroidPartials: 3,
  levelAgainstPlanDb: 6,
};

/** One difference as a bar of its interval across "no difference", with its numbers. */
function Row({
  comparison,
  name,
  label,
}: {
  readonly comparison: Comparison;
  readonly name: string;
  readonly label: string;
}) {
  const { t } = useTranslation();
  const { quantity, difference, from, to, takes, decided, alike } = comparison;
  const { unit, factor, digits } = QUANTITY_ROWS[quantity];
  const span = SPANS[quantity]!;
  const place = (value: number) => 50 + 50 * Math.max(-1, Math.min(1, (value * factor) / span));
  const signed = (value: number) => formatSigned(value * factor, digits);
  const size = (value: number) => formatNumber(Math.abs(value) * factor, digits);
  const [least, most] = difference < 0 ? [to, from] : [from, to];
  const told = decided
    ? {
        value: size(difference),
        from: size(least),
        to: size(most),
        way: tableText(t, `compare.ways.${quantity}.${difference < 0 ? 'less' : 'more'}`),
      }
    : { from: signed(from), to: signed(to) };
  return (
    <Flex align="center" gap="14px" borderTopWidth="1px" borderColor="line" py="6px" wrap="wrap">
      <chakra.span width="230px">{label}</chakra.span>
      <Box flex="1 1 220px" position="relative" height="20px" aria-hidden>
        <Box position="absolute" left="50%" top="0" bottom="0" borderLeftWidth="1.5px" borderColor="inkSoft" />
        <Box
          position="absolute"
          top="7px"
          height="6px"
          borderRadius="3px"
          bg={decided ? 'ink' : 'channel'}
          borderWidth="1.5px"
          borderColor="ink"
          style={{ left: `${place(from)}%`, width: `${Math.max(0.5, place(to) - place(from))}%` }}
        />
      </Box>
      <chakra.span width="330px" fontSize="small">
        {saidText(t, alike ? 'compare.alike' : decided ? 'compare.differs' : 'compare.open', {
          ...(alike ? { from: signed(from), to: signed(to) } : told),
          name,
          unit: t(`measures.units.${unit}`),
          takes: `${formatNumber(takes[0], 0)} + ${formatNumber(takes[1], 0)}`,
        })}
      </chakra.span>
    </Flex>
  );
}
