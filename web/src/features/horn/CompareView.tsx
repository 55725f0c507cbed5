import { QUANTITY_ROWS } from '@inner-hum/core/measure';
import { Box, chakra, Flex } from '@chakra-ui/react';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { SETUP_PARTS, type Comparison, type Quantity } from '@inner-hum/core/plan';
import type { InstrumentId } from '@inner-hum/core/theory';
import { subDays } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { database } from '../../db/database';
import type { TakeFilter } from '../../db/search';
import { compareService } from '../../db/compareService';
import { Button, Choice } from '../../ui/controls';
import { formatNumber, formatSigned } from '../../text/format';
import { SectionTitle } from '../../ui/PageTitle';
import { useCells } from '../../shared/stored/useCells';
import { useNoteName } from '../../text/useNoteName';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useAppSelector } from '../../store';
import { dayOf } from '../../base/days';
import { detailOf } from '../../base/detailOf';
import { FindOut } from './FindOut';
import { saidText, tableText } from '../../text/tableText';

const LATELY_DAYS = 14;
const PERIODS = ['period:before', 'period:lately'] as const;
const MOST_NOTES = 12;

/** Questions that playing answers, and two sides of what was played set against each other. */
export function CompareView() {
  const { t } = useTranslation();
  return (
    <>
      <FindOut />
      <SectionTitle>{t('compare.title')}</SectionTitle>
      <TwoSides />
    </>
  );
}

/** Two set-ups, rooms, cues or periods side by side: what differs more than chance, and what is not decided. */
function TwoSides() {
  const { t } = useTranslation();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const sides = useSides();
  const [chosen, choose] = useState<readonly [string, string]>();
  const [first, second] = chosen ?? firstChoice(sides ?? []);
  const [done, setDone] = useState<{ readonly sides: string; readonly found: readonly Comparison[] }>();
  const now = `${instrumentId} ${first} ${second}`;
  const found = done?.sides === now ? done.found : undefined;
  const [failed, setFailed] = useState<{ readonly sides: string; readonly detail: string }>();
  useEffect(() => {
    let gone = false;
    if (!sides?.length || first === second) return;
    compareService()
      .compare(side(first, instrumentId), side(second, instrumentId))
      .then(
        (result) => !gone && setDone({ sides: now, found: result }),
        (error: unknown) => !gone && setFailed({ sides: now, detail: detailOf(error) }),
      );
    return () => void (gone = true);
  }, [sides, first, second, instrumentId, now]);
  const textOf = (key: string) =>
    key.startsWith('period:')
      ? t(key === 'period:lately' ? 'compare.lately' : 'compare.before', { days: LATELY_DAYS })
      : key.startsWith('cue:')
        ? tableText(t, `cues.${key.slice('cue:'.length)}`)
        : t('compare.part', {
            part: tableText(t, `gear.parts.${key.split(':')[0]}`),
            name: key.slice(key.indexOf(':') + 1),
          });
  if (!sides) return <p>{t('app.loading')}</p>;
  if (sides.length === 0) return <EmptyCompare />;
  return (
    <Box maxWidth="64rem">
      <Flex gap="14px" wrap="wrap" mb="16px">
        <Choice
          label={t('compare.first')}
          value={first}
          options={sides}
          textOf={textOf}
          onChange={(key) => choose([key, second])}
        />
        <Choice
          label={t('compare.second')}
          value={second}
          options={sides}
          textOf={textOf}
          onChange={(key) => choose([first, key])}
        />
      </Flex>
      {first === second && <p>{t('compare.same')}</p>}
      {found && <Results found={found} name={shortNameOf(first, textOf(first))} />}
      {!found && first !== second && (
        <p role="status">{failed?.sides === now ? t('app.wentWrong', { detail: failed.detail }) : t('app.loading')}</p>
      )}
    </Box>
  );
}

/** What can be set against what on the present size of horn: gear and rooms it was played with, cues, periods; none without takes. */
function useSides(): readonly string[] | undefined {
  const cells = useCells();
  const cues = useLiveQuery(() => database.digests.where('tags').startsWith('cue:').uniqueKeys());
  return useMemo(() => {
    if (!cells || !cues) return undefined;
    if (cells.length === 0) return [];
    const own = cells.flatMap(({ setup }) =>
      SETUP_PARTS.flatMap((part) => (setup[part] ? [`${part}:${setup[part]}`] : [])),
    );
    return [...PERIODS, ...[...new Set([...own, ...(cues as string[])])].sort()];
  }, [cells, cues]);
}

/** Two reeds when there are, else the last fortnight against the time before. */
function firstChoice(sides: readonly string[]): readonly [string, string] {
  const reeds = sides.filter((text) => text.startsWith('reed:'));
  return reeds.length > 1 ? [reeds[0]!, reeds[1]!] : PERIODS;
}

function side(key: string, instrumentId: InstrumentId): TakeFilter {
  const size = `size:${instrumentId}`;
  const edge = dayOf(subDays(new Date(), LATELY_DAYS));
  if (key === 'period:lately') return { tags: [size], since: edge };
  if (key === 'period:before') return { tags: [size], since: '', before: edge };
  return { tags: [size, key], since: '' };
}

function EmptyCompare() {
  const { t } = useTranslation();
  const open = useOpenExercise();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  return (
    <Box maxWidth="40rem">
      <chakra.p mb="12px">{t('compare.empty')}</chakra.p>
      <Button tone="strong" onClick={() => open(usualExercise(familyById('survey'), instrumentId))}>
        {t('compare.emptyAction')}
      </Button>
    </Box>
  );
}

/** Own names of gear in quotes, of which sentences speak; the rest as it is chosen. */
function shortNameOf(key: string, text: string): string {
  return key.startsWith('period:') || key.startsWith('cue:') ? text : `“${key.slice(key.indexOf(':') + 1)}”`;
}

/** What was found; `name` is that of the first side, of which each sentence speaks. */
function Results({ found, name }: { readonly found: readonly Comparison[]; readonly name: string }) {
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
