import { readFileSync } from 'node:fs';
import { readBackupZip, writeWeek } from '@inner-hum/core/formats';
import { digestOf, type Digest } from '@inner-hum/core/history';
import type { TakeRecord } from '@inner-hum/core/take';

/** Made-up students: who plays how far from the season that ships, in cents, and on which share of its days. */
export const SAMPLE_STUDENTS = [
  { name: 'Jonas', cents: 0, share: 0.9 },
  { name: 'Mara', cents: -11, share: 0.55 },
  { name: 'Odile', cents: 6, share: 0.75 },
  { name: 'Tomasz', cents: 14, share: 0.3 },
] as const;

const DAY_MS = 86_400_000;
const season = readBackupZip(readFileSync(new URL('../web/public/demo/season.zip', import.meta.url)));
if (season.kind !== 'read') throw new Error(season.detail);
const newestMs = Math.max(...season.takes.map(({ record }) => Date.parse(record.startedAt)));

/** The last four weeks of a made-up student as a file, all days of it up to `now`. */
export function sampleWeek({ name, cents, share }: (typeof SAMPLE_STUDENTS)[number], now: Date): Uint8Array {
  const daysLater = Math.floor((now.getTime() - newestMs) / DAY_MS);
  const moved = ({ startedAt }: TakeRecord) => Date.parse(startedAt) + daysLater * DAY_MS;
  const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
  const since = now.getTime() - 28 * DAY_MS;
  const takes = season.kind === 'read' ? season.takes : [];
  const played = takes.filter(({ record }) => {
    const ms = moved(record);
    // The same days again for the same student, others for another.
    return ms > since && (Math.floor(ms / DAY_MS) * 7 + name.length * 3) % 10 < share * 10;
  });
  const off = (digest: Digest): Digest => ({
    ...digest,
    seen: digest.seen.map((one) => {
      const { pitchCentreCents } = one.values;
      return pitchCentreCents === undefined
        ? one
        : { ...one, values: { ...one.values, pitchCentreCents: pitchCentreCents + cents } };
    }),
  });
  return writeWeek({
    student: { id: `sample-${name}`, name },
    savedAt: now.toISOString(),
    from: dayOf(since),
    to: dayOf(now.getTime()),
    digests: played.map(({ record }) =>
      off(digestOf(record, { startedAtMs: moved(record), day: dayOf(moved(record)) })),
    ),
    notes: [],
    takes: played.slice(-6).map((take) => ({
      ...take,
      record: { ...take.record, startedAt: new Date(moved(take.record)).toISOString() },
    })),
  });
}
