import { Box } from '@chakra-ui/react';
import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import type { NoteOnMap } from '@inner-hum/core/map';
import { useCallback, useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { DrawnRibbon } from '../../ribbon/DrawnRibbon';
import { firstTake } from '../../ribbon/firstTake';
import { drawRibbon } from '../../ribbon/ribbon';
import { LAYERS } from '../../text/layers';
import { usePalette } from '../../ui/useColourMode';
import { Badge } from './Badge';
import { LargeRow } from '../../shared/drawn/LargeRow';

const PITCH = LAYERS.find(({ id }) => id === 'pitch')!;
const RIBBON_PX = 220;
const MAP_PX = 560;

/** In the still: what of the swell is airy, bracketed and lost, shares of it. */
const AIRY_FROM = 0.72;
const AIRY_DB = -8;
const BRACKET = { from: 0.22, to: 0.36 } as const;
const LOST = { from: 0.9, lasts: 0.05 } as const;

/** The stand-in's swell, whole, with what the four lines speak of put into it. */
export function RibbonStill() {
  const { t } = useTranslation();
  const palette = usePalette();
  const view = useMemo(() => stillView(), []);
  const draw = useCallback(
    (context: CanvasRenderingContext2D, width: number, height: number) =>
      drawRibbon(context, { ...view, palette, width, height, textPx: 18 }),
    [view, palette],
  );
  return (
    <Box position="relative">
      <DrawnRibbon draw={draw} live={false} label={t('welcome.ribbon')} height={`${RIBBON_PX}px`} />
      <Badge number={1} left="44%" top="36%" />
      <Badge number={2} left="55%" top="12%" />
      <Badge number={3} left="77%" top="62%" />
      <Badge number={4} left="28%" top="0%" />
      <Badge number={4} left="90%" top="62%" />
    </Box>
  );
}

/** One note of the map, large: drawn as the map draws it. */
export function MapStill() {
  const note = useMemo(() => madeNote(), []);
  return (
    <Box position="relative" maxWidth={`${MAP_PX}px`} color="ink" my="8px">
      <LargeRow layer={PITCH} midi={note.midi} note={note} width={MAP_PX} />
      <Badge number={1} left="13%" top="4%" />
      <Badge number={2} left="52%" top="0%" />
      <Badge number={3} left="88%" top="14%" />
      <Badge number={4} left="13%" top="56%" />
    </Box>
  );
}

/** The first swell with an airy end, a bracket and a lost stretch. */
function stillView() {
  const { view } = firstTake();
  const { fromS, toS, frames } = view;
  const at = (share: number) => fromS + share * (toS - fromS);
  const airyFrom = Math.round(AIRY_FROM * frames.count);
  return {
    ...view,
    frames: { ...frames, breathDb: frames.breathDb.map((db, i) => (i < airyFrom ? db : AIRY_DB)) },
    marks: [{ fromS: at(BRACKET.from), toS: at(BRACKET.to), label: '' }],
    lost: [{ atS: at(LOST.from), lastsS: LOST.lasts * (toS - fromS), how: 'hole' as const }],
  };
}

const TONES = 6;
/** What the still shows: sharper when soft, less sure there. Cents. */
const SHOWN = { soft: { at: 19, spread: 6 }, medium: { at: 12, spread: 2 }, loud: { at: 9, spread: 2 } } as const;

/** A note of a map for a still: D5 as many know it. */
function madeNote(): NoteOnMap {
  const of = (band: keyof typeof SHOWN) =>
    Array.from({ length: TONES }, (_, i) => ({
      ...({
        atMs: i,
        midi: 74,
        fingeredMidi: 74,
        partial: 1,
        band,
        attack: 'breath',
        tried: true,
        spoke: true,
      } as const),
      values: { pitchCentreCents: SHOWN[band].at + (i % 2 ? 1 : -1) * SHOWN[band].spread },
    }));
  const [soft, medium, loud] = LOUDNESS_BANDS.map(of) as [
    ReturnType<typeof of>,
    ReturnType<typeof of>,
    ReturnType<typeof of>,
  ];
  const all = [...soft, ...medium, ...loud];
  return { midi: 74, bands: { soft, medium, loud }, all, got: all.length, of: all.length, newestMs: 0 };
}
