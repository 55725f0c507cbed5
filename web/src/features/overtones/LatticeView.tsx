import { Box, chakra, Grid } from '@chakra-ui/react';
import { familyById, LEVELS, usualExercise } from '@inner-hum/core/families';
import { frontier, ownSources, type OwnCell } from '@inner-hum/core/map';
import { expectedSuccess, lattice, LATTICE_PARTIALS, sourceKey, type Source } from '@inner-hum/core/theory';
import { useMemo, useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { formatSigned } from '../../text/format';
import { partialColour } from '../../ui/palette';
import { useCells } from '../../shared/stored/useCells';
import { usePalette } from '../../ui/useColourMode';
import { useNoteName } from '../../text/useNoteName';
import { Term } from '../../shared/page/Term';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { usePartialName, usePartialNumber } from '../../text/usePartialName';
import { useAppSelector } from '../../store';
import { ClimbByEar } from './ClimbByEar';
import { SourcesOf } from './SourcesOf';
import { SuccessBar } from '../../shared/drawn/SuccessBar';
import { useHorn } from '../../store/useHorn';

/** So many partials beyond the one that is learnt next are shown at first. */
const AHEAD = 2;
const NO_OWN: ReadonlyMap<string, OwnCell> = new Map();

/** Fingerings × partials: what each sounds, how far off it lies, how well this player gets it. */
export function LatticeView() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const partialName = usePartialName();
  const palette = usePalette();
  const horn = useHorn();
  const cells = useCells();
  const own = useMemo(() => (cells ? ownSources(cells) : NO_OWN), [cells]);
  const all = useMemo(() => lattice(horn), [horn]);
  const level = useAppSelector((state) => state.settings.level);
  const next = useMemo(() => frontier(own, level ?? LEVELS[0], horn), [own, level, horn]);
  const isNext = ({ tubeMidi, partialNumber, octaveKey }: Source) =>
    !octaveKey && tubeMidi === next.tubeMidi && partialNumber === next.partial;
  const nextMidi = all.find(isNext)?.soundedMidi ?? horn.lowestWrittenMidi;
  const [picked, choose] = useState<number>();
  const [whole, showAll] = useState(false);
  const tried = Math.max(
    1,
    ...all.filter((source) => own.has(sourceKey(source))).map((source) => source.partialNumber),
  );
  const upTo = whole ? LATTICE_PARTIALS : Math.min(LATTICE_PARTIALS, Math.max(tried, next.partial + AHEAD));
  const chosen = picked ?? nextMidi;
  const long = all.filter((source) => !source.octaveKey);
  const short = all.filter((source) => source.octaveKey);
  const cell = (source: Source | undefined) =>
    source && (
      <LatticeCell
        source={source}
        own={own.get(sourceKey(source))}
        chosen={source.soundedMidi === chosen}
        next={isNext(source)}
        colour={partialColour(palette, source.partialNumber)}
        onChoose={() => choose(source.soundedMidi)}
      />
    );
  return (
    <Grid templateColumns={{ base: '1fr', xl: 'minmax(0, 1fr) 20rem' }} gap="32px">
      <Box overflowX="auto">
        <chakra.p mb="10px">
          {t('overtones.next', {
            note: nameOf(nextMidi),
            fingered: nameOf(next.tubeMidi),
            partialName: partialName(next.partial),
          })}
        </chakra.p>
        <ClimbByEar frontier={next} />
        <Tubes sources={long} upTo={upTo} cell={cell} />
        {upTo < LATTICE_PARTIALS && (
          <Button tone="quiet" mt="6px" onClick={() => showAll(true)}>
            {t('overtones.allPartials')}
          </Button>
        )}
        <chakra.h3 fontWeight={600} mt="16px" mb="4px">
          {t('overtones.twelfths')}
        </chakra.h3>
        <Grid templateColumns="repeat(auto-fill, minmax(118px, 1fr))" gap="4px">
          {short.map((source) => (
            <Grid key={source.fingeredMidi} templateColumns="40px 1fr" alignItems="center">
              <span>{nameOf(source.fingeredMidi)}</span>
              {cell(source)}
            </Grid>
          ))}
        </Grid>
        <chakra.p color="inkSoft" fontSize="small" mt="14px" maxWidth="52rem">
          {t('overtones.legend')}
        </chakra.p>
      </Box>
      <SourcesOf midi={chosen} own={own} />
    </Grid>
  );
}

const TERM_OF = { partials: 'partial', overtones: 'overtone' } as const;

/** A row for each long tube, a column for each of its partials. */
function Tubes({
  sources,
  upTo,
  cell,
}: {
  readonly sources: readonly Source[];
  /** the highest partial that is shown */
  readonly upTo: number;
  readonly cell: (source: Source | undefined) => ReactNode;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const partialNumber = usePartialNumber();
  const palette = usePalette();
  const open = useOpenExercise();
  const numbers = useAppSelector((state) => state.settings.partialNumbers);
  const { hornId } = useHorn();
  const partials = Array.from({ length: upTo }, (_, i) => i + 1);
  const tubes = [...new Set(sources.map((source) => source.tubeMidi))].sort((a, b) => a - b);
  const ladder = (tube: number) => open({ ...usualExercise(familyById('overtoneLadder'), hornId), writtenMidi: tube });
  return (
    <chakra.table
      aria-label={t('overtones.lattice')}
      css={{ '& td': { p: '1px' }, '& th': { fontWeight: 500, px: '6px', fontSize: 'small' } }}
    >
      <thead>
        <tr>
          <chakra.th textAlign="left">
            {t('overtones.fingered')} / <Term id={TERM_OF[numbers]}>{t(`overtones.numbers.${numbers}`)}</Term>
          </chakra.th>
          {partials.map((n) => (
            <th key={n} style={{ color: partialColour(palette, n) }}>
              {partialNumber(n)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {tubes.map((tube) => (
          <tr key={tube}>
            <chakra.th scope="row" textAlign="left" whiteSpace="nowrap">
              <Button
                tone="quiet"
                minHeight="32px"
                py="2px"
                title={t('overtones.ladderOn', { note: nameOf(tube) })}
                onClick={() => ladder(tube)}
              >
                {nameOf(tube)}
              </Button>
            </chakra.th>
            {partials.map((n) => (
              <td key={n}>{cell(sources.find((source) => source.tubeMidi === tube && source.partialNumber === n))}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </chakra.table>
  );
}

/** A cell: the note that sounds, its natural offset, and a bar of success; outlined while nobody tried. */
function LatticeCell({
  source,
  own,
  chosen,
  next,
  colour,
  onChoose,
}: {
  readonly source: Source;
  readonly own: OwnCell | undefined;
  readonly chosen: boolean;
  /** whether it is to be learnt next */
  readonly next: boolean;
  readonly colour: string;
  readonly onChoose: () => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const success = expectedSuccess(source.prior, own?.tries);
  const tried = (own?.tries.of ?? 0) > 0;
  const offset = formatSigned(own?.offsetCents ?? source.offsetCents, 0);
  const label = t(tried ? 'overtones.cellTried' : 'overtones.cellUsual', {
    note: nameOf(source.soundedMidi),
    fingered: nameOf(source.fingeredMidi),
    partial: source.partialNumber,
    offset,
    percent: Math.round(100 * success),
    got: own?.tries.got ?? 0,
    of: own?.tries.of ?? 0,
  });
  return (
    <chakra.button
      onClick={onChoose}
      aria-label={next ? `${label}. ${t('overtones.isNext')}` : label}
      title={label}
      aria-pressed={chosen}
      width="100%"
      minWidth="66px"
      height={next ? '52px' : '34px'}
      pt="4px"
      pb="12px"
      px="6px"
      cursor="pointer"
      textAlign="left"
      borderRadius="6px"
      borderWidth="1.5px"
      borderColor={chosen ? 'accent' : next ? 'ink' : 'transparent'}
      bg={chosen ? 'panel' : 'channel'}
      position="relative"
      lineHeight={1}
      _hover={{ borderColor: 'ink' }}
    >
      <chakra.span fontSize="small" fontWeight={chosen ? 700 : 500}>
        {nameOf(source.soundedMidi)}
      </chakra.span>
      <chakra.span fontSize="tiny" color="inkSoft" position="absolute" right="5px" top="5px">
        {source.partialNumber > 1 && offset}
      </chakra.span>
      {next && (
        <chakra.span display="block" fontSize="tiny" fontWeight={700} color="accent" mt="3px" aria-hidden>
          {t('overtones.isNext')}
        </chakra.span>
      )}
      {source.partialNumber > 1 && <SuccessBar share={success} tried={tried} colour={colour} />}
    </chakra.button>
  );
}
