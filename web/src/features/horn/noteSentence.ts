import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import { edgeOf, ofNote, type NoteOnMap } from '@inner-hum/core/map';
import type { KeyId } from '@inner-hum/core/theory';
import type { TFunction } from 'i18next';
import { edgeText } from '../../text/edgeText';
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
  const edge = layer.id === 'edge' && note ? edgeText(t, edgeOf(note)) : undefined;
  const rest = edge ?? (said.length > 0 ? said.join('; ') : t('horn.notMeasured'));
  return `${fingeredName(t, nameOf, midi, note?.fingering)}: ${rest}`;
}

/** A note, with its keys where those are not the regular ones. */
function fingeredName(t: TFunction, nameOf: (midi: number) => string, midi: number, fingering: string | undefined) {
  if (fingering === undefined) return nameOf(midi);
  return t('horn.by', { note: nameOf(midi), fingering: keysText(t, fingering) });
}

/** The keys of a fingering in words. */
export function keysText(t: TFunction, fingering: string): string {
  return fingering
    .split(' ')
    .map((key) => t(`keys.${key as KeyId}`))
    .join(' + ');
}
