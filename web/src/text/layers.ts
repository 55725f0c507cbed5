import { QUANTITY_ROWS, type Unit } from '@inner-hum/core/measure';
import type { Quantity } from '@inner-hum/core/history';
import { formatNumber, formatSigned } from './format';

/** One way of looking at the map: a quantity, its unit and the span that the drawing shows. */
export interface Layer {
  readonly id: LayerId;
  readonly quantity: Quantity;
  readonly unit: Unit;
  /** what the value is multiplied by to be in that unit */
  readonly factor: number;
  readonly decimals: number;
  /** left and right end of the drawing, in the unit; a line is drawn at `zero` */
  readonly from: number;
  readonly to: number;
  readonly zero: number;
  readonly signed: boolean;
}
export type LayerId = 'pitch' | 'steadiness' | 'response' | 'colour' | 'range' | 'breath' | 'edge';

export const LAYERS: readonly Layer[] = [
  layer('pitch', 'pitchCentreCents', { from: -30, to: 30, decimals: 0 }),
  layer('steadiness', 'pitchSteadinessCents', { from: 0, to: 12, decimals: 1 }),
  layer('response', 'responseS', { from: 0, to: 300, decimals: 0 }),
  layer('colour', 'centroidPartials', { from: 0, to: 12, decimals: 1 }),
  layer('range', 'rangeDb', { from: 0, to: 30, decimals: 0 }),
  layer('edge', 'brokeUnderPDb', { from: -10, to: 30, decimals: 0 }),
  layer('breath', 'breathRatioDb', { from: -45, to: 0, zero: -45, decimals: 0 }),
];

function layer(id: LayerId, quantity: Quantity, more: Partial<Layer> & Pick<Layer, 'from' | 'to' | 'decimals'>): Layer {
  const { unit, factor, signed } = QUANTITY_ROWS[quantity];
  return { id, quantity, unit, factor, zero: 0, signed, ...more };
}

/** A value of a layer and its error, as they are read: in the layer's unit, with its digits. */
export function inLayer(
  layer: Layer,
  { value, uncertainty }: { readonly value: number; readonly uncertainty: number },
) {
  return {
    value: (layer.signed ? formatSigned : formatNumber)(value * layer.factor, layer.decimals),
    error: formatNumber(uncertainty * layer.factor, layer.decimals),
  };
}
