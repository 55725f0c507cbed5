import { chakra } from '@chakra-ui/react';
import { LOUDNESS_BANDS, type LoudnessBand } from '@inner-hum/core/measure';
import { ofNote, type NoteOnMap, type Seam } from '@inner-hum/core/plan';
import { zoneOf } from '@inner-hum/core/theory';
import { useTranslation } from 'react-i18next';
import { useNoteName } from '../../text/useNoteName';
import type { Layer } from '../../text/layers';
import { noteSentence } from './noteSentence';

/** Height of a row in pixels, for a pointer and for a thumb. */
const ROW = { pointer: 21, thumb: 44 } as const;
const NAME_WIDTH = 50;
const SEAM_WIDTH = 26;
const RIGHT = 20;
const TOP = 22;
const LEFT = NAME_WIDTH + SEAM_WIDTH;
/** Thickness of the bars in pixels, softest first: what is loud is thick, as on the ribbon. */
const THICK: Readonly<Record<LoudnessBand, number>> = { soft: 2, medium: 3.5, loud: 4.5 };
/** Distance of the bars from the middle of their row. */
const OFFSET: Readonly<Record<LoudnessBand, number>> = { soft: -5.5, medium: -0.5, loud: 4.5 };
const LARGE = 3.4;

/** A row of the map: a note as it is played, or by another fingering. */
export interface RowOfMap {
  readonly midi: number;
  /** of a row that is not the note's own */
  readonly fingering?: string | undefined;
}

/** Whether something is about the same note and fingering as a row. */
export function isRow(row: RowOfMap): (other: RowOfMap) => boolean {
  return ({ midi, fingering }) => midi === row.midi && fingering === row.fingering;
}

/** Where a value of a layer lies in a drawing so many pixels wide. */
function axis({ from, to }: Layer, width: number): (value: number) => number {
  return (value) => LEFT + ((Math.min(to, Math.max(from, value)) - from) / (to - from)) * (width - LEFT - RIGHT);
}

/** One note's row by itself, large, on the axis of the map under it. */
export function LargeRow({
  layer,
  midi,
  note,
  width,
}: {
  readonly layer: Layer;
  readonly midi: number;
  readonly note: NoteOnMap | undefined;
  readonly width: number;
}) {
  const nameOf = useNoteName();
  const height = ROW.pointer * LARGE;
  const x = axis(layer, width);
  return (
    <chakra.svg viewBox={`0 0 ${width} ${height}`} width="100%" color="ink" aria-hidden display="block">
      <line x1={x(layer.zero)} x2={x(layer.zero)} y1={0} y2={height} stroke="currentColor" strokeWidth={1.5} />
      <text x={8} y={height / 2 + 10} fontWeight={600} fill="currentColor" style={{ fontSize: 30 }}>
        {nameOf(midi)}
      </text>
      {note &&
        LOUDNESS_BANDS.map((band) => (
          <Bar key={band} layer={layer} note={note} band={band} x={x} y={height / 2} scale={LARGE} />
        ))}
    </chakra.svg>
  );
}

/**
 * The rail opened wide: a row for each written note, lowest at the bottom, three bars in each, thin for soft and thick for
 * loud, whiskers for what is not known better; seams notched between the rows. Another fingering of a note has a row under
 * it.
 */
export function MapDrawing({
  layer,
  midis,
  notes,
  others,
  seams,
  chosen,
  width,
  thumb,
  onChoose,
  onOpen,
}: {
  readonly layer: Layer;
  /** the notes drawn, lowest first */
  readonly midis: readonly number[];
  readonly notes: ReadonlyMap<number, NoteOnMap>;
  readonly others: readonly NoteOnMap[];
  readonly seams: readonly Seam[];
  readonly chosen: RowOfMap;
  /** in pixels */
  readonly width: number;
  /** whether the rows are to be met by a thumb */
  readonly thumb: boolean;
  readonly onChoose: (row: RowOfMap) => void;
  readonly onOpen: (midi: number) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const rows = midis
    .toReversed()
    .flatMap((midi): readonly (RowOfMap & { readonly note: NoteOnMap | undefined })[] => [
      { midi, note: notes.get(midi) },
      ...others.filter((other) => other.midi === midi).map((note) => ({ midi, fingering: note.fingering ?? '', note })),
    ]);
  const rowHeight = thumb ? ROW.thumb : ROW.pointer;
  const height = TOP + rows.length * rowHeight + 6;
  const x = axis(layer, width);
  const middle = (row: number) => TOP + row * rowHeight + rowHeight / 2;
  const y = (midi: number) => middle(rows.findIndex(isRow({ midi })));
  const shownSeams = seams.filter(({ lower, upper }) => midis.includes(lower) && midis.includes(upper));
  const ticks = Array.from({ length: 5 }, (_, i) => layer.from + (i * (layer.to - layer.from)) / 4);
  return (
    <chakra.svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      display="block"
      color="ink"
      role="group"
      aria-label={t(`horn.layers.${layer.id}`)}
    >
      {ticks.map((tick) => (
        <g key={tick} opacity={0.6}>
          <line
            x1={x(tick)}
            x2={x(tick)}
            y1={TOP - 4}
            y2={height - 4}
            stroke="currentColor"
            strokeWidth={tick === layer.zero ? 1.5 : 0.5}
          />
          <text x={x(tick)} y={12} textAnchor="middle" fill="currentColor" style={{ fontSize: 13 }}>
            {layer.signed && tick > 0 ? `+${tick}` : String(tick).replace('-', '−')}
          </text>
        </g>
      ))}
      {rows.map((row, i) => {
        const { midi, fingering, note } = row;
        const zone = zoneOf(midi);
        const isChosen = isRow(chosen)(row);
        return (
          <g
            key={`${midi} ${fingering}`}
            role="button"
            tabIndex={0}
            aria-label={noteSentence(t, nameOf, layer, midi, note)}
            onMouseEnter={() => onChoose({ midi, fingering })}
            onFocus={() => onChoose({ midi, fingering })}
            onClick={() => onOpen(midi)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault();
                onOpen(midi);
              }
            }}
            style={{ cursor: 'pointer' }}
          >
            <rect
              x={0}
              y={middle(i) - rowHeight / 2}
              width={width}
              height={rowHeight}
              fill={
                isChosen
                  ? 'var(--chakra-colors-panel)'
                  : zone === 'low' || zone === 'palm'
                    ? 'var(--chakra-colors-channel)'
                    : 'transparent'
              }
              fillOpacity={isChosen ? 1 : 0.55}
            />
            <text
              x={8}
              y={middle(i) + 5}
              fontWeight={isChosen ? 700 : 500}
              fill="currentColor"
              style={{ fontSize: fingering === undefined ? (thumb ? 18 : 16) : 14 }}
              opacity={note ? 1 : 0.55}
            >
              {fingering === undefined ? nameOf(midi) : t('horn.other')}
            </text>
            {note &&
              LOUDNESS_BANDS.map((band) => (
                <Bar key={band} layer={layer} note={note} band={band} x={x} y={middle(i)} scale={thumb ? 2 : 1} />
              ))}
          </g>
        );
      })}
      {shownSeams.map((seam) => (
        <SeamMark key={`${seam.lower} ${seam.quantity}`} y={(y(seam.lower) + y(seam.upper)) / 2} />
      ))}
    </chakra.svg>
  );
}

function Bar({
  layer,
  note,
  band,
  x,
  y,
  scale,
}: {
  readonly layer: Layer;
  readonly note: NoteOnMap;
  readonly band: LoudnessBand;
  readonly x: (value: number) => number;
  readonly y: number;
  readonly scale: number;
}) {
  const known = ofNote(note, layer.quantity, band);
  if (known.kind === 'unknown') return null;
  const value = known.value * layer.factor;
  const error = known.uncertainty * layer.factor;
  const at = y + scale * OFFSET[band];
  const thick = scale * THICK[band];
  const [from, to] = [x(layer.zero), x(value)];
  return (
    <g pointerEvents="none">
      <line
        x1={x(value - error)}
        x2={x(value + error)}
        y1={at}
        y2={at}
        stroke="currentColor"
        strokeWidth={1}
        opacity={0.55}
      />
      <rect
        x={Math.min(from, to)}
        y={at - thick / 2}
        width={Math.max(1.5, Math.abs(to - from))}
        height={thick}
        rx={thick / 2}
        fill="currentColor"
      />
    </g>
  );
}

/** A notch where two neighbours part. */
function SeamMark({ y }: { readonly y: number }) {
  return (
    <path
      d={`M${NAME_WIDTH} ${y}h5l4 -5l5 10l4 -5h6`}
      fill="none"
      stroke="var(--chakra-colors-accent)"
      strokeWidth={2}
      pointerEvents="none"
    />
  );
}
