import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import { ofNote, type NoteOnMap } from '@inner-hum/core/plan';
import type { TFunction } from 'i18next';
import { inLayer, type Layer } from '../../text/layers';

/** What the map says of a note in words, for reading out. */
export function noteSentence(
  t: TFunction,
  nameOf: (midi: number) => string,
  layer: Layer,
  midi: number,
  note: NoteOnMap | undefined,
): string {
  const unit = t(`measures.units.${layer.unit}`);
  const said = LOUDNESS_BANDS.flatMap((band) => {
    const known = note ? ofNote(note, layer.quantity, band) : undefined;
    if (known?.kind !== 'known') return [];
    return [t('horn.inBand', { band: t(`horn.bands.${band}`), ...inLayer(layer, known), unit })];
  });
  const rest = said.length > 0 ? said.join('; ') : t('horn.notMeasured');
  return `${nameOf(midi)}: ${rest}`;
}
