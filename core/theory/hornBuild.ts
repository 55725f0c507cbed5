import { INSTRUMENTS, type Instrument, type InstrumentId } from './instruments.data';

/** Keys that some horns have and others have not. */
export const HORN_OPTIONS = ['lowA', 'highFSharp', 'highG', 'frontF'] as const;
export type HornOption = (typeof HORN_OPTIONS)[number];
/** Which of them a horn has; what is left out is as usual for its size. */
export type HornOptions = Readonly<Partial<Record<HornOption, boolean>>>;

/**
 * A horn as exercises name it: its size, and the keys in which it differs from what is usual for the size, in the order of
 * {@link HORN_OPTIONS}: "alto", "alto-highFSharp", "soprano+highG-frontF".
 */
export type HornId = InstrumentId | `${InstrumentId}${'+' | '-'}${string}`;

/** A size built with the keys that one horn has. */
export interface Horn extends Instrument {
  readonly hornId: HornId;
  readonly keys: Readonly<Record<HornOption, boolean>>;
}

const LOW_A = 57;
const HIGH_F = 89;
const HIGH_F_SHARP = 90;
const HIGH_G = 91;

function usualKeys({ lowestWrittenMidi, highestKeyedWrittenMidi }: Instrument): Readonly<Record<HornOption, boolean>> {
  return {
    lowA: lowestWrittenMidi <= LOW_A,
    highFSharp: highestKeyedWrittenMidi >= HIGH_F_SHARP,
    highG: false,
    frontF: true,
  };
}

function sizeById(id: string): Instrument {
  const found = INSTRUMENTS.find((instrument) => instrument.id === id);
  if (!found) throw new RangeError(`no instrument is called ${id}`);
  return found;
}

/** The name of a horn of a size with these keys. A high G key comes with a high F♯ key only. */
export function hornIdOf(size: InstrumentId, options: HornOptions = {}): HornId {
  const usual = usualKeys(sizeById(size));
  const differ = HORN_OPTIONS.filter((key) => options[key] !== undefined && options[key] !== usual[key]);
  return differ.reduce<string>((id, key) => `${id}${options[key] ? '+' : '-'}${key}`, size) as HornId;
}

/** The size of a horn: "alto" of "alto-highFSharp". */
export function sizeOf(id: HornId): InstrumentId {
  return id.split(/[+-]/)[0] as InstrumentId;
}

/** Whether a value names a horn. */
export function isHornId(value: unknown): value is HornId {
  try {
    return typeof value === 'string' && instrumentById(value as HornId).hornId === value;
  } catch {
    return false;
  }
}

const built = new Map<string, Horn>();

/**
 * The horn with this name; the same name gives the same object.
 * @throws RangeError when no size has the id, or a key is not one that horns differ in
 */
export function instrumentById(id: HornId): Horn {
  const before = built.get(id);
  if (before) return before;
  const size = sizeById(sizeOf(id));
  const keys: Record<HornOption, boolean> = { ...usualKeys(size) };
  const named = [...id.matchAll(/([+-])(\w+)/g)];
  for (const [, sign, key] of named) {
    if (!(HORN_OPTIONS as readonly string[]).includes(key!))
      throw new RangeError(`horns do not differ in a key ${key}`);
    keys[key as HornOption] = sign === '+';
  }
  // No horn has the one without the other.
  keys.highFSharp ||= keys.highG;
  if (size.id + named.map(([text]) => text).join('') !== id) throw new RangeError(`no instrument is called ${id}`);
  const horn: Horn = {
    ...size,
    hornId: id,
    keys,
    lowestWrittenMidi: keys.lowA ? LOW_A : LOW_A + 1,
    highestKeyedWrittenMidi: keys.highG ? HIGH_G : keys.highFSharp ? HIGH_F_SHARP : HIGH_F,
  };
  built.set(id, horn);
  return horn;
}
