import { chakra } from '@chakra-ui/react';
import { LOUDNESS_BANDS, type LoudnessBand } from '@inner-hum/core/measure';
import { ofNote, type NoteOnMap } from '@inner-hum/core/map';
import type { Layer } from '../../text/layers';
import { useNoteName } from '../../text/useNoteName';

/** Height of a row in pixels, for a pointer and for a thumb. */
export const ROW = { pointer: 21, thumb: 44 } as const;
export const NAME_WIDTH = 50;
/** Thickness of the bars in pixels, softest first: what is loud is thick, as on the ribbon. */
const THICK: Readonly<Record<LoudnessBand, number>> = { soft: 2, medium: 3.5, loud: 4.5 };
/** Distance of the bars from the middle of their row. */
const OFFSET: Readonly<Record<LoudnessBand, number>> = { soft: -5.5, medium: -0.5, loud: 4.5 };

const SEAM_WIDTH = 26;
const RIGHT = 20;
const LEFT = NAME_WIDTH + SEAM_WIDTH;
const LARGE = 3.4;

/** Where a value of a layer lies in a drawing so many pixels wide. */
export function axis({ from, to }: Layer, width: number): (value: number) => number {
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

export function Bar({
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
