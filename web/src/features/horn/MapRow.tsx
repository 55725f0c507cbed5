import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import type { NoteOnMap } from '@inner-hum/core/map';
import { zoneOf } from '@inner-hum/core/theory';
import { useTranslation } from 'react-i18next';
import { useNoteName } from '../../text/useNoteName';
import type { Layer } from '../../text/layers';
import { Bar, NAME_WIDTH, ROW } from '../../shared/drawn/LargeRow';
import { noteSentence } from './noteSentence';

/** A row of the map: a note as it is played, or by another fingering. */
export interface RowOfMap {
  readonly midi: number;
  /** of a row that is not the note's own */
  readonly fingering?: string | undefined;
}

export type DrawnRow = RowOfMap & { readonly note: NoteOnMap | undefined };

/** A row that is pointed at, met by a thumb, or reached with the keyboard: its name and its three bars. */
export function MapRow({
  layer,
  row: { midi, fingering, note },
  chosen,
  x,
  y,
  width,
  thumb,
  onChoose,
  onOpen,
}: {
  readonly layer: Layer;
  readonly row: DrawnRow;
  readonly chosen: boolean;
  readonly x: (value: number) => number;
  /** its middle */
  readonly y: number;
  readonly width: number;
  readonly thumb: boolean;
  readonly onChoose: (row: RowOfMap) => void;
  readonly onOpen: (midi: number) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const zone = zoneOf(midi);
  const rowHeight = thumb ? ROW.thumb : ROW.pointer;
  return (
    <g
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
        y={y - rowHeight / 2}
        width={width}
        height={rowHeight}
        fill={
          chosen
            ? 'var(--chakra-colors-panel)'
            : zone === 'low' || zone === 'palm'
              ? 'var(--chakra-colors-channel)'
              : 'transparent'
        }
        fillOpacity={chosen ? 1 : 0.55}
      />
      <text
        x={8}
        y={y + 5}
        fontWeight={chosen ? 700 : 500}
        fill="currentColor"
        style={{ fontSize: fingering === undefined ? (thumb ? 18 : 16) : 14 }}
        opacity={note ? 1 : 0.55}
      >
        {fingering === undefined ? nameOf(midi) : t('horn.other')}
      </text>
      {note &&
        LOUDNESS_BANDS.map((band) => (
          <Bar key={band} layer={layer} note={note} band={band} x={x} y={y} scale={thumb ? 2 : 1} />
        ))}
    </g>
  );
}

/** A notch where two neighbours part. */
export function SeamMark({ y }: { readonly y: number }) {
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
