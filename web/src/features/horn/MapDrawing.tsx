import { chakra } from '@chakra-ui/react';
import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import type { NoteOnMap, Seam } from '@inner-hum/core/plan';
import { useTranslation } from 'react-i18next';
import { useNoteName } from '../../text/useNoteName';
import type { Layer } from '../../text/layers';
import { ROW, NAME_WIDTH, type RowOfMap, type DrawnRow, MapRow, Bar, SeamMark } from './MapRow';

const SEAM_WIDTH = 26;
const RIGHT = 20;
const TOP = 22;
const LEFT = NAME_WIDTH + SEAM_WIDTH;
const LARGE = 3.4;

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
  const rows = midis
    .toReversed()
    .flatMap((midi): readonly DrawnRow[] => [
      { midi, note: notes.get(midi) },
      ...others.filter((other) => other.midi === midi).map((note) => ({ midi, fingering: note.fingering ?? '', note })),
    ]);
  const rowHeight = thumb ? ROW.thumb : ROW.pointer;
  const height = TOP + rows.length * rowHeight + 6;
  const x = axis(layer, width);
  const middle = (row: number) => TOP + row * rowHeight + rowHeight / 2;
  const y = (midi: number) => middle(rows.findIndex(isRow({ midi })));
  const shownSeams = seams.filter(({ lower, upper }) => midis.includes(lower) && midis.includes(upper));
  return (
    <chakra.svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      display="block"
      color="ink"
      role="group"
      aria-label={t(`horn.layers.${layer.id}`)}
    >
      <Scale layer={layer} x={x} height={height} />
      {rows.map((row, i) => (
        <MapRow
          key={`${row.midi} ${row.fingering}`}
          layer={layer}
          row={row}
          chosen={isRow(chosen)(row)}
          x={x}
          y={middle(i)}
          width={width}
          thumb={thumb}
          onChoose={onChoose}
          onOpen={onOpen}
        />
      ))}
      {shownSeams.map((seam) => (
        <SeamMark key={`${seam.lower} ${seam.quantity}`} y={(y(seam.lower) + y(seam.upper)) / 2} />
      ))}
    </chakra.svg>
  );
}

/** Lines and numbers of a layer's scale. */
function Scale({
  layer,
  x,
  height,
}: {
  readonly layer: Layer;
  readonly x: (value: number) => number;
  readonly height: number;
}) {
  const ticks = Array.from({ length: 5 }, (_, i) => layer.from + (i * (layer.to - layer.from)) / 4);
  return (
    <>
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
    </>
  );
}
