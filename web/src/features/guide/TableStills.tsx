import { Box, chakra } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { SuccessBar } from '../../shared/drawn/SuccessBar';
import { useNoteName } from '../../text/useNoteName';
import { partialColour } from '../../ui/palette';
import { usePalette } from '../../ui/useColourMode';
import { Badge } from './Badge';

/** Six notes of a rail, as it stands at the left. */
export function RailStill() {
  const nameOf = useNoteName();
  const notes = [
    [77, 'empty'],
    [76, 'full'],
    [74, 'half'],
    [72, 'full'],
    [71, 'full'],
  ] as const;
  return (
    <Frame width={230} height={150}>
      {notes.map(([midi, known], i) => {
        const y = 20 + i * 27;
        return (
          <g key={midi}>
            <circle
              cx={20}
              cy={y}
              r={6}
              fill={known === 'full' ? 'currentColor' : 'none'}
              stroke="currentColor"
              strokeWidth={1.6}
            />
            {known === 'half' && <path d={`M20 ${y - 6}a6 6 0 0 0 0 12z`} fill="currentColor" />}
            <text x={38} y={y + 5} fill="currentColor" style={{ fontSize: 15 }}>
              {nameOf(midi)}
            </text>
          </g>
        );
      })}
      {[60, 87].map((y) => (
        <circle key={y} cx={88} cy={y} r={5} fill="currentColor" />
      ))}
      <path d="M10 60h5l4 -5l5 10l4 -5h6" fill="none" stroke="var(--chakra-colors-accent)" strokeWidth={2} />
      <Mark number={1} x={140} y={20} to={66} />
      <Mark number={2} x={140} y={74} to={66} />
      <Mark number={3} x={140} y={101} to={96} toY={90} />
      <Mark number={4} x={140} y={47} to={38} toY={58} />
    </Frame>
  );
}

/** Four cells of the table of overtones. */
export function LatticeStill() {
  const nameOf = useNoteName();
  const palette = usePalette();
  const cells = [
    { tube: 58, sounded: 70, partial: 2, offset: '+7', tried: true, share: 0.9 },
    { tube: 58, sounded: 77, partial: 3, offset: '−4', tried: true, share: 0.6 },
    { tube: 59, sounded: 71, partial: 2, offset: '+3', tried: true, share: 0.75 },
    { tube: 59, sounded: 78, partial: 3, offset: '+2', tried: false, share: 0.4, next: true },
  ];
  return (
    <Box position="relative" my="8px" width="fit-content" aria-hidden>
      <chakra.table css={{ '& td': { p: '2px' }, '& th': { fontWeight: 500, px: '8px' } }}>
        <tbody>
          {[58, 59].map((tube) => (
            <tr key={tube}>
              <th>{nameOf(tube)}</th>
              {cells
                .filter((cell) => cell.tube === tube)
                .map(({ sounded, partial, offset, tried, share, next }) => (
                  <td key={sounded}>
                    <Box
                      position="relative"
                      width="104px"
                      height="44px"
                      px="8px"
                      pt="5px"
                      borderRadius="6px"
                      bg="channel"
                      borderWidth="1.5px"
                      borderColor={next ? 'ink' : 'transparent'}
                    >
                      {nameOf(sounded)}
                      <chakra.span fontSize="tiny" color="inkSoft" position="absolute" right="6px" top="6px">
                        {offset}
                      </chakra.span>
                      <SuccessBar share={share} tried={tried} colour={partialColour(palette, partial)} />
                    </Box>
                  </td>
                ))}
            </tr>
          ))}
        </tbody>
      </chakra.table>
      <Badge number={1} left="1%" top="-10%" />
      <Badge number={2} left="40%" top="34%" />
      <Badge number={3} left="99%" top="4%" />
      <Badge number={4} left="98%" top="66%" />
    </Box>
  );
}

function Frame({
  width,
  height,
  children,
}: {
  readonly width: number;
  readonly height: number;
  readonly children: ReactNode;
}) {
  return (
    <chakra.svg
      viewBox={`0 0 ${width} ${height}`}
      width={`${width * 1.3}px`}
      maxWidth="100%"
      color="ink"
      my="8px"
      aria-hidden
    >
      {children}
    </chakra.svg>
  );
}

/** The number of a line within a drawing, with a line to its place. */
function Mark({
  number,
  x,
  y,
  to,
  toY = y,
}: {
  readonly number: number;
  readonly x: number;
  readonly y: number;
  readonly to: number;
  readonly toY?: number;
}) {
  return (
    <g>
      <line x1={x} y1={y} x2={to} y2={toY} stroke="currentColor" strokeWidth={1} />
      <circle cx={x} cy={y} r={9} fill="currentColor" />
      <text
        x={x}
        y={y + 4}
        textAnchor="middle"
        fill="var(--chakra-colors-paper)"
        style={{ fontSize: 12, fontWeight: 700 }}
      >
        {number}
      </text>
    </g>
  );
}
