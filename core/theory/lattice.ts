import { ALTISSIMO_REACH_SEMITONES } from './instrument';
import type { Instrument } from './instruments.data';
import { naturalOffsetCents, partialSemitones } from './partials';

/** Partials of a tube that are told apart. */
export const LATTICE_PARTIALS = 10;
/** The tubes of the low register end here, written C♯5; above it the octave key takes over. */
const LAST_TUBE_MIDI = 73;
const LAST_BELL_MIDI = 61;
const FIRST_OCTAVE_KEY_MIDI = 74;
/** From this fingering up short twelfths get stubborn, written C6. */
const STUBBORN_TWELFTHS_FROM = 84;

/** Successes and tries, also as a prior: what is expected before the player has tried. */
export interface Tries {
  readonly got: number;
  readonly of: number;
}

/** One way to sound a note: a fingered tube and one of its partials. Pitches are written. */
export interface Source {
  /** what is fingered: the note of the low register, or with the octave key the note it gives */
  readonly fingeredMidi: number;
  /** fundamental of that tube: an octave under the fingered note when the octave key is down */
  readonly tubeMidi: number;
  readonly octaveKey: boolean;
  readonly partialNumber: number;
  readonly soundedMidi: number;
  /** natural partial against the tempered note, cents */
  readonly offsetCents: number;
  /** `long`: a bell note, nearly the whole tube */
  readonly length: 'long' | 'short';
  /** how often it usually speaks, as tries that were never made */
  readonly prior: Tries;
}

/** Usual success by partial: the second overtone is often stubborn, and so is what lies above the sixth. Our choice. */
const PRIOR: readonly Tries[] = [
  { got: 9, of: 10 },
  { got: 4, of: 5 },
  { got: 2, of: 5 },
  { got: 3, of: 5 },
  { got: 3, of: 6 },
  { got: 2, of: 5 },
  { got: 1, of: 4 },
  { got: 1, of: 4 },
  { got: 1, of: 5 },
  { got: 1, of: 5 },
];

/** Every source a horn has up to the top of altissimo: partials 1–10 of each low fingering, and the short twelfths. */
export function lattice(horn: Instrument): Source[] {
  const top = horn.highestKeyedWrittenMidi + ALTISSIMO_REACH_SEMITONES;
  const cells: Source[] = [];
  for (let tube = horn.lowestWrittenMidi; tube <= LAST_TUBE_MIDI; tube++)
    for (let n = 1; n <= LATTICE_PARTIALS && tube + partialSemitones(n) <= top; n++)
      cells.push(source(tube, tube, n, PRIOR[n - 1]!));
  for (let fingered = FIRST_OCTAVE_KEY_MIDI; fingered <= LAST_TUBE_MIDI + 12; fingered++)
    cells.push(source(fingered, fingered - 12, 3, shortTwelfthPrior(fingered)));
  return cells;
}

/** All sources that sound a written note, lowest fingering first; those of partial 1 are the regular fingering itself. */
export function sourcesOf(horn: Instrument, soundedMidi: number): Source[] {
  return lattice(horn).filter((entry) => entry.soundedMidi === soundedMidi);
}

/** A name for a source that stays the same: its fingered note and partial. */
export function sourceKey({ fingeredMidi, partialNumber }: Pick<Source, 'fingeredMidi' | 'partialNumber'>): string {
  return `${fingeredMidi}/${partialNumber}`;
}

/** The source of a name such as "58/4"; undefined when the horn has none of it. */
export function sourceByKey(horn: Instrument, key: string): Source | undefined {
  const found = lattice(horn).find((candidate) => sourceKey(candidate) === key);
  return found ?? (key.endsWith('/1') ? regularSource(horn, Number.parseInt(key, 10)) : undefined);
}

/** A written note by its usual fingering; undefined when the horn has no key for it. */
export function regularSource(horn: Instrument, midi: number): Source | undefined {
  if (!(midi >= horn.lowestWrittenMidi && midi <= horn.highestKeyedWrittenMidi)) return undefined;
  return source(midi, midi, 1, PRIOR[0]!);
}

/** Which partial of what tube sounds a written note when another is fingered; undefined when none does, whatever the horn. */
export function overtoneOf(
  fingeredMidi: number,
  soundedMidi: number,
): Pick<Source, 'tubeMidi' | 'partialNumber' | 'octaveKey'> | undefined {
  const octaveKey = fingeredMidi >= FIRST_OCTAVE_KEY_MIDI;
  const tubeMidi = octaveKey ? fingeredMidi - 12 : fingeredMidi;
  // With the octave key down a tube gives its octave, which is the fingered note, and its twelfth.
  for (let n = octaveKey ? 3 : 2; n <= (octaveKey ? 3 : LATTICE_PARTIALS); n++)
    if (tubeMidi + partialSemitones(n) === soundedMidi) return { tubeMidi, partialNumber: n, octaveKey };
  return undefined;
}

/** Expected success, 0–1: the prior with what the player really got; the mean of a Beta distribution. */
export function expectedSuccess(prior: Tries, own: Tries = { got: 0, of: 0 }): number {
  return (prior.got + own.got) / (prior.of + own.of);
}

function source(fingeredMidi: number, tubeMidi: number, partialNumber: number, prior: Tries): Source {
  return {
    fingeredMidi,
    tubeMidi,
    octaveKey: fingeredMidi !== tubeMidi,
    partialNumber,
    soundedMidi: tubeMidi + partialSemitones(partialNumber),
    offsetCents: naturalOffsetCents(partialNumber),
    length: tubeMidi <= LAST_BELL_MIDI ? 'long' : 'short',
    prior,
  };
}

function shortTwelfthPrior(fingered: number): Tries {
  return fingered >= STUBBORN_TWELFTHS_FROM ? { got: 1, of: 4 } : { got: 3, of: 4 };
}
