import { limitOf, LOUDNESS_BANDS, type LoudnessBand } from '@inner-hum/core/measure';
import { instrumentById, zoneOf, type HornId, type Zone } from '@inner-hum/core/theory';
import { estimate, type Estimate } from '../history/estimate';
import { ofNote, type NoteOnMap } from './hornMap';

/** Why a note wants work. */
export const NEED_REASONS = ['failing', 'response', 'pitch', 'slope', 'steadiness'] as const;
export type NeedReason = (typeof NEED_REASONS)[number];

/** What a note wants most: it is outside the limit of the firm demand, which is 1. */
export interface Need {
  readonly midi: number;
  readonly reason: NeedReason;
  readonly size: number;
  /** in the unit of the reason: cents, seconds, failed starts */
  readonly value: number;
  /** of how many starts, where it is about those that failed */
  readonly of?: number | undefined;
  /** the loudness at which it is so; left out where it is all one */
  readonly band?: LoudnessBand | undefined;
}

/** The same want in one zone of the horn: one need, on several notes. */
export interface NeedGroup {
  readonly key: string;
  readonly reason: NeedReason;
  readonly zone: Zone;
  /** which way: 1 sharp, or sharp when soft; −1 the other; 0 where there is no way */
  readonly sign: -1 | 0 | 1;
  /** its notes, the largest first */
  readonly needs: readonly Need[];
  /** how large it is over its notes together, in limits */
  readonly size: number;
}

/** So many failed starts matter; of the other reasons it is the limit of the firm demand. Our choice. */
const FAILING = 0.25;
/** Fewer starts than this say nothing of how often a note fails. */
const STARTS = 4;
/** One that failed is none. */
const LEAST_FAILED = 2;
/** A loudness is a matter of its own where the others lie less than this share as far out, or the other way. */
const ALIKE_SHARE = 0.5;
/** Of one note no more counts than this: a group is not one wild note. */
const MOST_OF_A_NOTE = 4;

/**
 * What the keyed notes of a horn want most, each at most once, largest first: only what is surely outside its limit.
 *
 * @param counts which observations count, by when they were made; all when left out
 */
export function needs(
  map: readonly NoteOnMap[],
  instrumentId: HornId,
  counts: (atMs: number) => boolean = () => true,
): Need[] {
  const horn = instrumentById(instrumentId);
  const keyed = map.filter(({ midi }) => midi >= horn.lowestWrittenMidi && midi <= horn.highestKeyedWrittenMidi);
  return keyed.flatMap((note) => needOf(note, counts) ?? []).sort(bySize);
}

/** What one note wants most; undefined where it is inside its limits. */
export function needOf(note: NoteOnMap, counts: (atMs: number) => boolean = () => true): Need | undefined {
  const own = ofKnown(note, counts).filter(({ size }) => size >= 1);
  return own.length > 0 ? own.reduce((most, need) => (need.size > most.size ? need : most)) : undefined;
}

/** The largest need first. */
export const bySize = (a: Need, b: Need): number => b.size - a.size || a.midi - b.midi;

/** Needs of the same kind in the same zone as one, largest first. */
export function needGroups(all: readonly Need[]): NeedGroup[] {
  const groups = new Map<string, Need[]>();
  for (const need of all) {
    const key = `${need.reason} ${zoneOf(need.midi)} ${signOf(need)}`;
    groups.set(key, [...(groups.get(key) ?? []), need]);
  }
  return [...groups]
    .map(([key, own]): NeedGroup => ({
      key,
      reason: own[0]!.reason,
      zone: zoneOf(own[0]!.midi),
      sign: signOf(own[0]!),
      needs: own,
      size: own.reduce((sum, { size }) => sum + Math.min(MOST_OF_A_NOTE, size), 0),
    }))
    .sort((a, b) => b.size - a.size || a.needs[0]!.midi - b.needs[0]!.midi);
}

function signOf({ reason, value }: Need): -1 | 0 | 1 {
  return reason === 'pitch' || reason === 'slope' ? (Math.sign(value) as -1 | 0 | 1) : 0;
}

function ofKnown(note: NoteOnMap, counts: (atMs: number) => boolean): Need[] {
  const { midi, all } = note;
  const need = (reason: NeedReason, size: number, value: number): Need => ({ midi, reason, size, value });
  const { pitch, band } = worstPitch(note);
  // What is slurred to is no start; what failed when the player was tired is no matter of the note.
  const tries = all.filter(({ tried, attack, atMs }) => tried && attack !== 'slurred' && counts(atMs));
  const failed = tries.filter((attempt) => !attempt.spoke).length;
  const failing = tries.length < STARTS || failed < LEAST_FAILED ? 0 : failed / tries.length / FAILING;
  const slope = estimate(all, 'pitchAgainstLevelCents');
  const steadiness = estimate(all, 'pitchSteadinessCents');
  const response = estimate(all, 'responseS');
  return [
    { ...need('failing', failing, failed), of: tries.length },
    { ...need('pitch', sureSize(pitch) / limitOf('pitchCentreCents', 'firm'), valueOf(pitch)), ...(band && { band }) },
    need('slope', sureSize(slope) / limitOf('pitchAgainstLevelCents', 'firm'), valueOf(slope)),
    need('steadiness', sureSize(steadiness) / limitOf('pitchSteadinessCents', 'firm'), valueOf(steadiness)),
    need('response', sureSize(response) / limitOf('responseS', 'firm'), valueOf(response)),
  ];
}

/** Where a note lies worst, and at which loudness; without one where it lies that way at every loudness. */
function worstPitch(note: NoteOnMap): { readonly pitch: Estimate; readonly band: LoudnessBand | undefined } {
  const pitches = LOUDNESS_BANDS.map((band) => ofNote(note, 'pitchCentreCents', band));
  const pitch = pitches.reduce((most, next) => (sureSize(next) > sureSize(most) ? next : most));
  const others = pitches.filter((entry) => entry !== pitch && entry.kind === 'known');
  const alike = others.every(
    (other) => valueOf(other) * Math.sign(valueOf(pitch)) >= ALIKE_SHARE * Math.abs(valueOf(pitch)),
  );
  const apart = others.length === 0 || !alike;
  return { pitch, band: apart ? LOUDNESS_BANDS[pitches.indexOf(pitch)]! : undefined };
}

/** How large a quantity is for sure: less its own uncertainty. */
function sureSize(of: Estimate): number {
  return of.kind === 'known' ? Math.max(0, Math.abs(of.value) - of.uncertainty) : 0;
}

function valueOf(of: Estimate): number {
  return of.kind === 'known' ? of.value : 0;
}
