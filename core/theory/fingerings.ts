import type { Horn } from './hornBuild';
import type { Instrument } from './instruments.data';
import { KEYS, type HornKey, type KeyId } from './keys.data';

const LEFT = ['left1', 'left2', 'left3'] as const;
const ALL = [...LEFT, 'right1', 'right2', 'right3'] as const;
const BELL = [...ALL, 'lowC'] as const;

/** Fingers of the lower register by written MIDI number: A3 to C♯5. Source: the key work all sizes share. */
const LOWER: Readonly<Record<number, readonly KeyId[]>> = {
  57: [...BELL, 'lowA'],
  58: [...BELL, 'lowBFlat'],
  59: [...BELL, 'lowB'],
  60: BELL,
  61: [...BELL, 'lowCSharp'],
  62: ALL,
  63: [...ALL, 'lowEFlat'],
  64: [...LEFT, 'right1', 'right2'],
  65: [...LEFT, 'right1'],
  66: [...LEFT, 'right2'],
  67: LEFT,
  68: [...LEFT, 'gSharp'],
  69: ['left1', 'left2'],
  70: ['left1', 'left2', 'sideBFlat'],
  71: ['left1'],
  72: ['left2'],
  73: [],
};
/** Palm and side keys: D6 to F♯6, and G6 on horns with a key for it. */
const PALM: Readonly<Record<number, readonly KeyId[]>> = {
  86: ['palmD'],
  87: ['palmD', 'palmEFlat'],
  88: ['palmD', 'palmEFlat', 'highE'],
  89: ['palmD', 'palmEFlat', 'palmF', 'highE'],
  90: ['palmD', 'palmEFlat', 'palmF', 'highE', 'highFSharp'],
  91: ['palmD', 'palmEFlat', 'palmF', 'highE', 'highFSharp', 'highG'],
};
const LOWEST_OVER_THE_BREAK = 74;

/** Keys of the regular fingering of a written note; undefined outside what the horn has keys for. */
export function regularFingering(horn: Instrument, writtenMidi: number): readonly KeyId[] | undefined {
  if (writtenMidi < horn.lowestWrittenMidi || writtenMidi > horn.highestKeyedWrittenMidi) return undefined;
  const palm = PALM[writtenMidi];
  if (palm) return ['octave', ...palm];
  if (writtenMidi < LOWEST_OVER_THE_BREAK) return LOWER[writtenMidi];
  const lower = LOWER[writtenMidi - 12];
  return lower && ['octave', ...lower];
}

/** The keys a horn has. */
export function keysOf(horn: Horn): readonly (HornKey & { readonly id: KeyId })[] {
  return KEYS.filter((key) => !('on' in key) || horn.keys[key.on]);
}

/** The keys of a fingering in one order, spaces between: however they were named, the same fingering is the same text. */
export function fingeringText(keys: Iterable<KeyId>): string {
  const down = new Set<string>(keys);
  return KEYS.flatMap((key) => (down.has(key.id) ? [key.id] : [])).join(' ');
}

/** Whether a horn has every key of a fingering. */
export function canFinger(horn: Horn, keys: readonly KeyId[]): boolean {
  const own = new Set(keysOf(horn).map((key) => key.id));
  return keys.every((key) => own.has(key));
}
