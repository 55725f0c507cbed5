import type { NoteOnMap } from './hornMap';

/** How far below p a note can go before it breaks, as all its tones tell. */
export type Edge =
  | {
      readonly kind: 'known';
      /** dB below p; negative where it breaks louder than p */
      readonly underPDb: number;
      readonly uncertainty: number;
      /** tones that broke, and tones that were held */
      readonly breaks: number;
      readonly held: number;
    }
  | { readonly kind: 'notReached'; readonly heldUnderPDb: number; readonly held: number }
  | { readonly kind: 'unknown' };

/** How much the level of a break differs from tone to tone: scale of a logistic spread, dB. Our choice, about 3 dB deviation. */
const SCALE_DB = 1.7;
/** Edges that are thought possible, dB below p. */
const GRID = Array.from({ length: 141 }, (_, i) => -25 + i / 2);

/**
 * The edge of a note by maximum likelihood over what its tones told: one that broke tells the level, one that was held that
 * the edge lies lower (a censored observation). The spread of the likelihood is its uncertainty.
 */
export function edgeOf({ all }: Pick<NoteOnMap, 'all'>): Edge {
  const broke = all.flatMap(({ values }) => values.brokeUnderPDb ?? []);
  // A tone that broke tells of its break; how far it was held before says nothing more.
  const held = all.flatMap(({ values }) => (values.brokeUnderPDb === undefined ? (values.heldUnderPDb ?? []) : []));
  if (broke.length === 0)
    return held.length === 0
      ? { kind: 'unknown' }
      : { kind: 'notReached', heldUnderPDb: Math.max(...held), held: held.length };
  const grid = GRID.map((edge) => {
    const brokeLog = broke.map((db) => {
      const z = (db - edge) / SCALE_DB;
      return -z - 2 * Math.log1p(Math.exp(-z));
    });
    const heldLog = held.map((db) => -Math.log1p(Math.exp((db - edge) / SCALE_DB)));
    return { edge, log: [...brokeLog, ...heldLog].reduce((sum, value) => sum + value, 0) };
  });
  const top = Math.max(...grid.map(({ log }) => log));
  const weights = grid.map(({ edge, log }) => ({ edge, weight: Math.exp(log - top) }));
  const total = weights.reduce((sum, { weight }) => sum + weight, 0);
  const underPDb = weights.reduce((sum, { edge, weight }) => sum + edge * weight, 0) / total;
  const spread = weights.reduce((sum, { edge, weight }) => sum + (edge - underPDb) ** 2 * weight, 0) / total;
  return { kind: 'known', underPDb, uncertainty: Math.sqrt(spread), breaks: broke.length, held: held.length };
}
