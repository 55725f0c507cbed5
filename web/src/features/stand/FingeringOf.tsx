import { instrumentById, regularFingering } from '@inner-hum/core/theory';
import { Fingering } from '../../shared/Fingering';
import { useAppSelector } from '../../store';

/** The regular fingering of a written note on the present horn; nothing where the keys end. */
export function FingeringOf({ writtenMidi }: { readonly writtenMidi: number }) {
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const keys = regularFingering(instrumentById(instrumentId), writtenMidi);
  return keys ? <Fingering instrumentId={instrumentId} keys={keys} /> : null;
}
