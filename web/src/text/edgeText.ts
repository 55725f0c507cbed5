import type { Edge } from '@inner-hum/core/map';
import type { TFunction } from 'i18next';
import { formatNumber } from './format';

/** The level at which a note breaks, in a sentence; nothing where none of its tones told of it. */
export function edgeText(t: TFunction, edge: Edge): string | undefined {
  if (edge.kind === 'unknown') return undefined;
  if (edge.kind === 'notReached') return t('horn.edge.notReached', { db: formatNumber(edge.heldUnderPDb, 0) });
  return t(edge.underPDb >= 0 ? 'horn.edge.known' : 'horn.edge.louder', {
    db: formatNumber(Math.abs(edge.underPDb), 0),
    error: formatNumber(edge.uncertainty, 0),
    count: edge.breaks + edge.held,
    breaks: edge.breaks,
  });
}
