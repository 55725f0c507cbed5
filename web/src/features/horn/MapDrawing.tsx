import { chakra } from '@chakra-ui/react';
import type { NoteOnMap, Seam } from '@inner-hum/core/map';
import { useTranslation } from 'react-i18next';
import type { Layer } from '../../text/layers';
import { axis, ROW } from '../../shared/drawn/LargeRow';
import { type RowOfMap, type DrawnRow, MapRow, SeamMark } from './MapRow';

const TOP = 22;

/** Whether something is about the same note and fingering as a row. */
export function isRow(row: RowOfMap): (other: RowOfMap) => boolean {
  return ({ midi, fingering }) => midi === row.midi && fingering === row.fingering;
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
