import { chakra } from '@chakra-ui/react';

const WIDTH = 560;
const HEIGHT = 190;
const FLOOR_DB = -36;
const TOP_DB = 16;

/** Two outlines over one another: the first as a filled shape, the second as a line with rings. Partials, dB against their mean. */
export function OutlinesOver({
  first,
  second: all,
  label,
  caption,
}: {
  readonly first: readonly number[];
  /** no more of it is drawn than the first has partials */
  readonly second: readonly number[];
  readonly label: string;
  readonly caption: string;
}) {
  const second = all.slice(0, first.length);
  const x = (k: number) => 34 + (k * (WIDTH - 50)) / Math.max(1, first.length - 1);
  const y = (db: number) => ((TOP_DB - Math.max(FLOOR_DB, Math.min(TOP_DB, db))) / (TOP_DB - FLOOR_DB)) * HEIGHT + 6;
  const line = (values: readonly number[]) => values.map((db, k) => `${x(k)},${y(db)}`).join(' ');
  return (
    <chakra.figure>
      <chakra.svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 30}`}
        width={`${WIDTH}px`}
        maxWidth="100%"
        role="img"
        aria-label={label}
        color="ink"
      >
        <polygon
          points={`${x(0)},${HEIGHT + 6} ${line(first)} ${x(first.length - 1)},${HEIGHT + 6}`}
          fill="var(--chakra-colors-channel)"
        />
        <polyline points={line(first)} fill="none" stroke="currentColor" strokeWidth={2} />
        <polyline
          points={line(second)}
          fill="none"
          stroke="var(--chakra-colors-accent)"
          strokeWidth={2.5}
          strokeDasharray="7 4"
        />
        {second.map((db, k) => (
          <circle
            key={k}
            cx={x(k)}
            cy={y(db)}
            r={4.5}
            fill="var(--chakra-colors-paper)"
            stroke="var(--chakra-colors-accent)"
            strokeWidth={2}
          />
        ))}
        {first.map((_, k) => (
          <text key={k} x={x(k)} y={HEIGHT + 24} fontSize={12} textAnchor="middle" fill="currentColor">
            {k + 1}
          </text>
        ))}
      </chakra.svg>
      <chakra.figcaption fontSize="small" color="inkSoft">
        {caption}
      </chakra.figcaption>
    </chakra.figure>
  );
}
