/** Why a quantity has no value. */
export type AbsentReason =
  | 'noTone'
  | 'tooShort'
  | 'levelHardlyMoved'
  | 'notPlanned'
  | 'noBeat'
  | 'anotherNote'
  | 'noAttack'
  | 'breathUnheard'
  | 'noVibrato'
  | 'noRelease'
  | 'noBreak'
  | 'tooAlike'
  | 'olderVersion';

/**
 * A quantity as measured: its value with one standard deviation of its own error, in the quantity's unit, or the reason
 * why there is none.
 */
export type Measured =
  | { readonly kind: 'measured'; readonly value: number; readonly uncertainty: number }
  | { readonly kind: 'absent'; readonly reason: AbsentReason };

export function measured(value: number, uncertainty: number): Measured {
  return { kind: 'measured', value, uncertainty };
}

export function absent(reason: AbsentReason): Measured {
  return { kind: 'absent', reason };
}

/** The value, or undefined when absent. */
export function valueOf(quantity: Measured): number | undefined {
  return quantity.kind === 'measured' ? quantity.value : undefined;
}
