import { chakra } from '@chakra-ui/react';
import type { ComponentProps } from 'react';
import { useCanvas } from '../ui/useCanvas';

/** A ribbon on a canvas of its own, told by `label` to those who don't see it; drawn anew each frame while `live`. */
export function DrawnRibbon({
  draw,
  live,
  label,
  ...rest
}: {
  readonly draw: Parameters<typeof useCanvas>[0];
  readonly live: boolean;
  readonly label: string;
} & Pick<ComponentProps<typeof chakra.canvas>, 'height' | 'mt'>) {
  const ref = useCanvas(draw, live);
  return <chakra.canvas ref={ref} role="img" aria-label={label} width="100%" display="block" {...rest} />;
}
