import type { Digest } from './digest';

/** What one reed did on one size of horn, over all takes. */
export interface ReedUse {
  readonly key: string;
  readonly instrumentId: string;
  readonly reed: string;
  /** how long the takes lasted together, seconds */
  readonly playedS: number;
  readonly takes: number;
  /** starts that spoke, of how many */
  readonly got: number;
  readonly of: number;
}

/** The key of the use that a take adds to; undefined where no reed was named. */
export function reedUseKey({ setup: { instrumentId, reed } }: Digest): string | undefined {
  return reed === undefined ? undefined : `${instrumentId} ${reed}`;
}

/** The uses that takes change, as they are with them; with `times` −1 as they are without. */
export function reedUses(
  digests: Iterable<Digest>,
  before: (key: string) => ReedUse | undefined = () => undefined,
  times: 1 | -1 = 1,
): Map<string, ReedUse> {
  const uses = new Map<string, ReedUse>();
  for (const digest of digests) {
    const key = reedUseKey(digest);
    if (key === undefined) continue;
    const { instrumentId, reed = '' } = digest.setup;
    const use = uses.get(key) ?? before(key) ?? { key, instrumentId, reed, playedS: 0, takes: 0, got: 0, of: 0 };
    const tries = digest.seen.filter((observation) => observation.tried);
    uses.set(key, {
      ...use,
      playedS: use.playedS + times * digest.lastsS,
      takes: use.takes + times,
      got: use.got + times * tries.filter((attempt) => attempt.spoke).length,
      of: use.of + times * tries.length,
    });
  }
  return uses;
}
