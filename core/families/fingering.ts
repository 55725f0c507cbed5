import type { ExerciseParameters, Step } from '@inner-hum/core/exercise';
import {
  ALTERNATE_FINGERINGS,
  canFinger,
  instrumentById,
  KEYS,
  regularFingering,
  TRY_FINGERINGS,
  type KeyId,
} from '@inner-hum/core/theory';

/**
 * The keys that are down on a step of an exercise: those of a fingering on trial, the regular ones of the tube with its
 * octave key and a vent that is opened, above the keyed notes the starter set's first for the horn. Undefined where
 * nothing is fingered (a hum, a mouthpiece alone) and where no fingering is known.
 * @param chosen what the player fingers a note with for good, if anything
 */
export function fingeringOf(
  step: Pick<Step, 'fingeredMidi' | 'soundedMidi' | 'octaveKey' | 'hum' | 'pair'>,
  { instrumentId, tube, fingering, vent }: ExerciseParameters,
  chosen: (midi: number) => readonly KeyId[] | undefined = () => undefined,
): readonly KeyId[] | undefined {
  if (step.hum || tube === 'mouthpiece' || tube === 'neck') return undefined;
  if (typeof fingering === 'string' && fingering !== '') return fingering.split(' ').filter(isKey);
  const horn = instrumentById(instrumentId);
  const written = step.fingeredMidi + (step.octaveKey ? 12 : 0);
  const own = step.fingeredMidi === step.soundedMidi ? chosen(written) : undefined;
  const regular = own && canFinger(horn, own) ? own : regularFingering(horn, written);
  if (!regular)
    return TRY_FINGERINGS.find(
      ({ midi, sizes, keys }) => midi === written && sizes.includes(horn.id) && canFinger(horn, keys),
    )?.keys;
  // The bright model has its vent open; what should sound like it is fingered as ever.
  if (typeof vent !== 'string' || step.pair) return regular;
  if (isKey(vent)) return [...regular, vent];
  return ALTERNATE_FINGERINGS.find(({ midi, use }) => midi === written && use === 'front')?.keys ?? regular;
}

const isKey = (id: string): id is KeyId => KEYS.some((key) => key.id === id);
