import { Box } from '@chakra-ui/react';
import { useEffect, useState, type ComponentProps, type ComponentType } from 'react';
import type TrendChart from './TrendChart';

type Props = ComponentProps<typeof TrendChart>;
let loaded: ComponentType<Props> | undefined;

/** Fetches the chart's package, which is too large for the first load. */
export async function loadTrendChart(): Promise<ComponentType<Props>> {
  loaded ??= (await import('./TrendChart')).default;
  return loaded;
}

/** The trend chart as soon as its package is here: at once when it was fetched before. */
export function TrendChartLater(props: Props) {
  const [Chart, setChart] = useState(() => loaded);
  useEffect(() => {
    if (!Chart) void loadTrendChart().then((componentType) => setChart(() => componentType));
  }, [Chart]);
  return Chart ? <Chart {...props} /> : <Box height="240px" />;
}
