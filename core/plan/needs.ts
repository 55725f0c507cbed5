import { limitOf, LOUDNESS_BANDS, type LoudnessBand } from '@inner-hum/core/measure';
import { instrumentById, type HornId } from '@inner-hum/core/theory';
import { estimate, type Estimate } from './estimate';
import { ofNote, type NoteOnMap } from './hornMap';

/** Why a note wants work. */
export const NEED_REASONS = ['failing', 'response', 'pitch', 'slope', 'steadiness', 'stale', 'unmeasured'] as const;
export type NeedReason = (typeof NEED_REASONS)[number];

/** What a note wants most: 1 is the limit of the firm demand, or what is due for other reasons. */
export interface Need {
  readonly midi: number;
  readonly reason: NeedReason;
  readonly size: number;
  /** in the unit of the reason: cents, seconds, share of starts, days */
  readonly value: number;
  /** the loudness at which it is so; left out where it is all one */
  readonly band?: LoudnessBand;
}

/** So many failed starts matter; of the other reasons it is the limit of the firm demand. Our choice. */
const FAILING = 0.25;
const DAY_MS = 86_400_000;
/** A note not played for so long is due again. */
const DUE_DAYS = 14;
const MOST_STALE = 1.2;
const UNMEASURED = 0.9;
/** So many starts before failures count in full. */
const STARTS = 4;

/** The most pressing need of each keyed note of a horn, largest first. */
export function needs(map: readonly NoteOnMap[], instrumentId: HornId, nowMs: number): Need[] {
  const horn = instrumentById(instrumentId);
  const known = new Map(map.map((note) => [note.midi, note]));
  const found: Need[] = [];
  for (let midi = horn.lowestWrittenMidi; midi <= horn.highestKeyedWrittenMidi; midi++) {
    const note = known.get(midi);
    const own = note ? ofKnown(note, nowMs) : [{ midi, reason: 'unmeasured', size: UNMEASURED, value: 0 } as const];
    found.push(own.reduce((most, need) => (need.size > most.size ? need : most)));
  }
  return found.sort((a, b) => b.size - a.size || a.midi - b.midi);
}

function ofKnown(note: NoteOnMap, nowMs: number): Need[] {
  const { midi, all } = note;
  const days = (nowMs - note.newestMs) / DAY_MS;
  const pitches = LOUDNESS_BANDS.map((band) => ofNote(note, 'pitchCentreCents', band));
  const tries = all.filter((observation) => observation.tried);
  const failed = tries.filter((attempt) => !attempt.spoke).length / Math.max(STARTS, tries.length);
  const need = (reason: NeedReason, size: number, value: number): Need => ({ midi, reason, size, value });
  const pitch = pitches.reduce((most, next) => (sureSize(next) > sureSize(most) ? next : most));
  // At all loudnesses alike it is no matter of loudness.
  const others = pitches.filter((entry) => entry !== pitch && entry.kind === 'known');
  const alike = others.every(
    (other) => Math.abs(valueOf(other) - valueOf(pitch)) < limitOf('pitchCentreCents', 'firm') / 2,
  );
  const band = others.length > 0 && alike ? undefined : LOUDNESS_BANDS[pitches.indexOf(pitch)]!;
  const slope = estimate(all, 'pitchAgainstLevelCents');
  const steadiness = estimate(all, 'pitchSteadinessCents');
  const response = estimate(all, 'responseS');
  return [
    need('stale', Math.min(MOST_STALE, days / DUE_DAYS) * 0.9, days),
    need('failing', failed / FAILING, failed),
    { ...need('pitch', sureSize(pitch) / limitOf('pitchCentreCents', 'firm'), valueOf(pitch)), ...(band && { band }) },
    need('slope', sureSize(slope) / limitOf('pitchAgainstLevelCents', 'firm'), valueOf(slope)),
    need('steadiness', sureSize(steadiness) / limitOf('pitchSteadinessCents', 'firm'), valueOf(steadiness)),
    need('response', sureSize(response) / limitOf('responseS', 'firm'), valueOf(response)),
  ];
}

/** How large a quantity is for sure: less its own uncertainty. */
function sureSize(of: Estimate): number {
  return of.kind === 'known' ? Math.max(0, Math.abs(of.value) - of.uncertainty) : 0;
}

function valueOf(of: Estimate): number {
  return of.kind === 'known' ? of.value : 0;
}
