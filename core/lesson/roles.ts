import { familyById, type Family, type FieldValues } from '@inner-hum/core/families';
import { zoneOf, type Zone } from '@inner-hum/core/theory';
import { dynamicOf } from '../families/teaching';
import type { NeedReason } from '../map/needs';
import type { Target } from './targets';

/** How a way works on a target: two ways of one target never do it alike. */
export type Role = 'tone' | 'dynamic' | 'join' | 'music';

/** A way to work on what a note wants, in the order in which a teacher would go. */
interface Way {
  readonly family: string;
  readonly role: Role;
  readonly wants?: readonly NeedReason[];
  readonly zones?: readonly Zone[];
  /** the notes that it is about, where those are fixed: from, to */
  readonly near?: readonly [number, number];
  readonly set: (midi: number, target: Pick<Target, 'need'>) => FieldValues;
}

const STARTS = ['response', 'failing'] as const;
const TONES = ['pitch', 'steadiness', 'slope'] as const;
const LOW = ['low'] as const;
/** Names of the keys of a scale, by the semitones of its first note over C. */
const TONICS = ['C', 'D♭', 'D', 'E♭', 'E', 'F', 'G♭', 'G', 'A♭', 'A', 'B♭', 'B'] as const;
/** So far above a note a row down across it begins, so far beneath one up. */
const AROUND = 2;

const held = (midi: number, { need }: Pick<Target, 'need'>) => ({ writtenMidi: midi, dynamic: dynamicOf(need.band) });
const WAYS: readonly Way[] = [
  {
    family: 'tongueOrAir',
    role: 'tone',
    wants: STARTS,
    zones: LOW,
    set: (writtenMidi) => ({ writtenMidi, starts: 4 }),
  },
  {
    family: 'countedBreaths',
    role: 'tone',
    wants: STARTS,
    set: (midi, target) => ({ ...held(midi, target), repeats: 4, beats: 2 }),
  },
  { family: 'firstTrace', role: 'tone', wants: STARTS, zones: LOW, set: (writtenMidi) => ({ writtenMidi }) },
  { family: 'hold', role: 'tone', wants: TONES, set: held },
  { family: 'swell', role: 'dynamic', set: (writtenMidi) => ({ writtenMidi }) },
  { family: 'fromNothing', role: 'dynamic', set: (writtenMidi) => ({ writtenMidi, repeats: 2 }) },
  {
    family: 'terraces',
    role: 'dynamic',
    wants: ['pitch', 'steadiness', 'response', 'failing'],
    set: (writtenMidi) => ({ writtenMidi }),
  },
  { family: 'relaySwell', role: 'dynamic', set: (writtenMidi) => ({ writtenMidi, pairs: 1 }) },
  { family: 'crossingBreak', role: 'join', near: [72, 76], set: () => ({}) },
  { family: 'zigzagDescent', role: 'join', set: (midi) => ({ writtenMidi: midi + 3, notes: 8, beats: 4 }) },
  { family: 'oneBreathDescent', role: 'join', zones: LOW, set: (midi) => ({ writtenMidi: Math.min(midi + 3, 65) }) },
  {
    family: 'tonguedDescent',
    role: 'join',
    wants: STARTS,
    zones: LOW,
    set: (midi) => ({ writtenMidi: Math.min(midi + 3, 65) }),
  },
  { family: 'octaveRestart', role: 'join', wants: STARTS, zones: LOW, set: (writtenMidi) => ({ writtenMidi }) },
  {
    family: 'chromaticLongTones',
    role: 'join',
    wants: TONES,
    set: (midi) => ({ writtenMidi: midi - AROUND, notes: 5 }),
  },
  { family: 'longToneScale', role: 'join', wants: TONES, set: (midi) => ({ writtenMidi: midi - AROUND, notes: 4 }) },
  { family: 'fullSpanScale', role: 'join', wants: TONES, set: (midi) => ({ key: TONICS[midi % 12]! }) },
  {
    family: 'octaveSlurs',
    role: 'join',
    wants: TONES,
    set: (midi) => ({ writtenMidi: midi >= 74 ? midi - 12 : midi, notes: 1 }),
  },
];

/** Days after which another way of a role comes. */
const DAYS_A_WAY = 2;

/** What leans at one loudness is worked on at that loudness. */
function atLoudness({ fields }: Family, { need: { band } }: Pick<Target, 'need'>): FieldValues {
  return band && 'dynamic' in fields ? { dynamic: dynamicOf(band) } : {};
}

/** The ways of a role to work on a target, the one whose turn it is first. */
export function waysOf(
  target: Target,
  role: Role,
): { readonly family: Family; readonly values: FieldValues; readonly midi: number }[] {
  const { midis, reason, lessons } = target;
  const midi = midis[lessons % midis.length]!;
  const own = WAYS.filter(
    (way) =>
      way.role === role &&
      (way.wants?.includes(reason) ?? true) &&
      (way.zones?.includes(zoneOf(midi)) ?? true) &&
      (!way.near || (midi >= way.near[0] && midi <= way.near[1])),
  );
  const turn = Math.floor(lessons / DAYS_A_WAY) % Math.max(1, own.length);
  return [...own.slice(turn), ...own.slice(0, turn)].map((way) => ({
    family: familyById(way.family),
    values: { ...way.set(midi, target), ...atLoudness(familyById(way.family), target) },
    midi,
  }));
}

/** In which order the roles come for a want: what it is about first, then by turns what moves its neighbours and what its loudness does. */
const ROLES: Readonly<Record<NeedReason, readonly Role[]>> = {
  failing: ['tone', 'join', 'dynamic'],
  response: ['tone', 'join', 'dynamic'],
  pitch: ['tone', 'join', 'dynamic'],
  slope: ['dynamic', 'join', 'tone'],
  steadiness: ['tone', 'join', 'dynamic'],
};

/** The roles by which a target is worked on today, the one that belongs to it first. */
export function rolesOf({ reason, lessons }: Pick<Target, 'reason' | 'lessons'>): readonly Role[] {
  const [first, second, third] = ROLES[reason];
  return lessons % 2 === 0 ? [first!, second!, third!] : [first!, third!, second!];
}
