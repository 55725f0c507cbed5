import type { Attack } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';

/** Standard error of a tone's onset as the ear finds it (docs/bench.md), seconds. */
export const ONSET_ERROR_S = 0.005;
/** Standard error of the first breath, which rises out of the room by degrees, seconds. */
const BREATH_ERROR_S = 0.012;

/** Response: tone onset less breath onset, seconds; 0 when no breath came before. */
export function responseS(attack: Attack | undefined): Measured {
  if (!attack) return absent('noAttack');
  return measured(attack.onsetS - attack.breathS, Math.hypot(ONSET_ERROR_S, BREATH_ERROR_S));
}

/** Rise: from 10 to 90 % of the settled amplitude, seconds. */
export function riseS(attack: Attack | undefined): Measured {
  return attack ? measured(attack.riseS, 0.003 + 0.1 * attack.riseS) : absent('noAttack');
}
