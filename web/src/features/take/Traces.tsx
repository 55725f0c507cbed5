import { Box, chakra } from '@chakra-ui/react';
import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { formatNumber } from '../../text/format';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { usePalette } from '../../ui/useColourMode';

const POINTS = 500;
const AXIS_PX = 46;

type Limit = number | ((value: number) => number);

/** Pitch, level and breath over time, with the cursor of the playback laid over them. */
export default function Traces({
  frames,
  targetHz,
  fromS,
  toS,
  placeS,
}: {
  readonly frames: Frames;
  readonly targetHz: number;
  readonly fromS: number;
  readonly toS: number;
  readonly placeS: number;
}) {
  const { t } = useTranslation();
  const rows = useMemo(() => {
    const first = Math.max(0, Math.floor(fromS / HOP_S));
    const last = Math.min(frames.count, Math.ceil(toS / HOP_S));
    const stride = Math.max(1, Math.ceil((last - first) / POINTS));
    return Array.from({ length: Math.floor((last - first) / stride) }, (_, row) => {
      const i = first + row * stride;
      const hz = frames.f0Hz[i]!;
      const cents = hz > 0 ? centsBetweenHz(targetHz, hz) : null;
      return {
        time: i * HOP_S,
        pitch: cents !== null && Math.abs(cents) <= 60 ? cents : null,
        level: hz > 0 ? frames.levelDb[i] : null,
        breath: hz > 0 ? frames.breathDb[i] : null,
      };
    });
  }, [frames, targetHz, fromS, toS]);
  const share = Math.min(1, Math.max(0, (placeS - fromS) / (toS - fromS)));
  return (
    <Box position="relative">
      <Trace rows={rows} field="pitch" label={t('take.pitch')} fromS={fromS} toS={toS} domain={[-40, 40]} />
      <Trace
        rows={rows}
        field="level"
        label={t('take.level')}
        fromS={fromS}
        toS={toS}
        domain={[(low) => Math.floor(low / 10) * 10, (high) => Math.ceil(high / 10) * 10]}
      />
      <Trace rows={rows} field="breath" label={t('take.breath')} fromS={fromS} toS={toS} domain={[-45, 0]} last />
      <chakra.div
        position="absolute"
        top={0}
        bottom="24px"
        width="2px"
        bg="accent"
        style={{ left: `calc(${AXIS_PX}px + (100% - ${AXIS_PX}px) * ${share})` }}
      />
    </Box>
  );
}

function Trace({
  rows,
  field,
  label,
  fromS,
  toS,
  domain,
  last = false,
}: {
  readonly rows: readonly object[];
  readonly field: string;
  readonly label: string;
  readonly fromS: number;
  readonly toS: number;
  readonly domain: [Limit, Limit];
  readonly last?: boolean;
}) {
  const palette = usePalette();
  const tick = { fill: palette.inkSoft, fontSize: 12 };
  return (
    <Box as="figure" aria-label={label}>
      <chakra.figcaption fontSize="small" color="inkSoft" pl={`${AXIS_PX}px`}>
        {label}
      </chakra.figcaption>
      <ResponsiveContainer width="100%" height={last ? 116 : 92}>
        <LineChart data={rows as object[]} margin={{ top: 4, right: 0, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke={palette.line} vertical={false} />
          <XAxis
            dataKey="time"
            type="number"
            domain={[fromS, toS]}
            hide={!last}
            height={24}
            tick={tick}
            stroke={palette.line}
            tickFormatter={(value: number) => formatNumber(value, 0)}
          />
          <YAxis
            domain={domain}
            width={AXIS_PX}
            tick={tick}
            stroke={palette.line}
            tickCount={3}
            tickFormatter={(value: number) => formatNumber(value, 0)}
          />
          <Line dataKey={field} stroke={palette.ink} strokeWidth={1.6} dot={false} isAnimationActive={false} />
        </LineChart>
      </ResponsiveContainer>
    </Box>
  );
}
