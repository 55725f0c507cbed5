import { chakra } from '@chakra-ui/react';
import type { ColourAtLevel } from '@inner-hum/core/measure';
import { useTranslation } from 'react-i18next';
import { formatNumber } from '../../text/format';

const WIDTH = 560;
const HEIGHT = 150;
const LEFT = 34;
/** At least this much of each axis is drawn, so that a tone that hardly moves does not look as if it did. */
const LEAST_DB = 12;
const LEAST_PARTIALS = 2;

/** How bright two tones are at which loudness: the softest on the left, each under its own loudest. */
export function ColourOverLevel({
  first,
  second,
  note,
}: {
  readonly first: readonly ColourAtLevel[];
  readonly second: readonly ColourAtLevel[];
  readonly note: string;
}) {
  const { t } = useTranslation();
  const all = [...first, ...second];
  const deepestDb = Math.max(LEAST_DB, ...all.map(({ underDb }) => underDb));
  const lowest = Math.floor(Math.min(...all.map(({ centroidPartials }) => centroidPartials)));
  const highest = Math.max(lowest + LEAST_PARTIALS, Math.ceil(Math.max(...all.map((at) => at.centroidPartials))));
  const x = (underDb: number) => WIDTH - 20 - (underDb / deepestDb) * (WIDTH - LEFT - 30);
  const y = (partials: number) => 8 + ((highest - partials) / (highest - lowest)) * HEIGHT;
  const line = (of: readonly ColourAtLevel[]) =>
    of.map(({ underDb, centroidPartials }) => `${x(underDb)},${y(centroidPartials)}`).join(' ');
  const accent = 'var(--chakra-colors-accent)';
  return (
    <chakra.figure mt="16px">
      <chakra.svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 50}`}
        width={`${WIDTH}px`}
        maxWidth="100%"
        role="img"
        aria-label={t('shelf.colour', { note })}
        color="ink"
        fontSize={12}
      >
        {[lowest, highest].map((partials) => (
          <g key={partials}>
            <line x1={LEFT} x2={WIDTH - 10} y1={y(partials)} y2={y(partials)} stroke="var(--chakra-colors-line)" />
            <text x={LEFT - 8} y={y(partials) + 4} textAnchor="end" fill="currentColor">
              {formatNumber(partials, 0)}
            </text>
          </g>
        ))}
        {[0, deepestDb / 2, deepestDb].map((db) => (
          <text key={db} x={x(db)} y={HEIGHT + 26} textAnchor="middle" fill="currentColor">
            {formatNumber(db, 0)}
          </text>
        ))}
        <text x={(WIDTH + LEFT) / 2} y={HEIGHT + 44} textAnchor="middle" fill="currentColor">
          {t('shelf.levelAxis')}
        </text>
        <polyline points={line(first)} fill="none" stroke="currentColor" strokeWidth={2.5} />
        <polyline points={line(second)} fill="none" stroke={accent} strokeWidth={2.5} strokeDasharray="7 4" />
        {second.map(({ underDb, centroidPartials }) => (
          <circle
            key={underDb}
            cx={x(underDb)}
            cy={y(centroidPartials)}
            r={4.5}
            fill="var(--chakra-colors-paper)"
            stroke={accent}
            strokeWidth={2}
          />
        ))}
      </chakra.svg>
      <chakra.figcaption fontSize="small" color="inkSoft">
        {t(second.length > 0 ? 'shelf.colourCaption' : 'shelf.colourAlone')}
      </chakra.figcaption>
    </chakra.figure>
  );
}
