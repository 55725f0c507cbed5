import { Box } from '@chakra-ui/react';
import type { TrendPoint } from '@inner-hum/core/history';
import { Area, CartesianGrid, ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { noonOf } from '../base/days';
import { usePalette } from './useColourMode';
import { formatDate } from '../text/format';

/** More dots than this lie on one another. */
const MOST_DOTS = 60;

/** A quantity over time: dots for the medians in a band that holds nine of ten truths; a table for those who hear it. */
export default function TrendChart({
  points,
  factor,
  unit,
  label,
}: {
  readonly points: readonly TrendPoint[];
  readonly factor: number;
  readonly unit: string;
  readonly label: string;
}) {
  const palette = usePalette();
  const rows = points.map(({ day, value, from, to }) => ({
    time: noonOf(day).getTime(),
    value: value * factor,
    band: [from * factor, to * factor],
  }));
  const text = { fontSize: 12, fill: palette.inkSoft };
  return (
    <Box height="240px" role="img" aria-label={label}>
      <ResponsiveContainer>
        <ComposedChart data={rows} margin={{ top: 8, right: 12, bottom: 4, left: 0 }}>
          <CartesianGrid stroke={palette.line} vertical={false} />
          <XAxis
            dataKey="time"
            type="number"
            scale="time"
            domain={['dataMin', 'dataMax']}
            padding={{ left: 24, right: 24 }}
            tickFormatter={(time: number) => formatDate(time, 'day')}
            tick={text}
            stroke={palette.line}
          />
          <YAxis tick={text} stroke={palette.line} width={92} unit={` ${unit}`} domain={['auto', 'auto']} />
          <Area dataKey="band" stroke="none" fill={palette.channel} fillOpacity={1} isAnimationActive={false} />
          <Line
            dataKey="value"
            stroke={palette.ink}
            strokeWidth={2}
            dot={points.length <= MOST_DOTS && { r: 3.5, fill: palette.ink }}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </Box>
  );
}
