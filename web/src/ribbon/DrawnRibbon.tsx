import { chakra } from '@chakra-ui/react';
import type { ComponentProps } from 'react';
import { useTranslation } from 'react-i18next';
import { useCanvas } from '../ui/useCanvas';

/** A ribbon on a canvas of its own; drawn anew each frame while `live`. */
export function DrawnRibbon({
  draw,
  live,
  ...rest
}: {
  readonly draw: Parameters<typeof useCanvas>[0];
  readonly live: boolean;
} & Pick<ComponentProps<typeof chakra.canvas>, 'height' | 'mt'>) {
  const { t } = useTranslation();
  const ref = useCanvas(draw, live);
  return (
    <chakra.canvas ref={ref} role="img" aria-label={t('stand.ribbonLabel')} width="100%" display="block" {...rest} />
  );
}
