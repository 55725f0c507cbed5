import { absent, QUANTITY_ROWS, STEP_QUANTITIES } from '@inner-hum/core/measure';

/** Quantities that later versions added to the measures of a step. */
const ADDED = STEP_QUANTITIES.filter((name) => !('everSince' in QUANTITY_ROWS[name]));

type Loose = Record<string, unknown>;
const isObject = (value: unknown): value is Loose => typeof value === 'object' && value !== null;

/**
 * A record of an older version in today's form: exercises were all swells, and what was not measured then is absent.
 * Anything that is no record comes back as it is; the schema says what is wrong with it.
 */
export function migrate(record: unknown): unknown {
  if (!isObject(record) || !isObject(record['parameters']) || !Array.isArray(record['measures'])) return record;
  return {
    ...record,
    parameters: { family: 'swell', ...record['parameters'] },
    measures: record['measures'].map((step: unknown) =>
      isObject(step) && step['kind'] === 'sounded' ? measuresOf(step) : step,
    ),
  };
}

function measuresOf(step: Loose): Loose {
  const missing = absent('olderVersion');
  const band = { lastsS: 0, pitchCentreCents: missing, centroidPartials: missing };
  const jumps = Array.isArray(step['jumps']) ? step['jumps'] : [];
  return {
    ...Object.fromEntries(ADDED.map((name) => [name, missing])),
    release: { fallS: missing, slipCents: missing, into: 'silence' },
    hold: { beats: missing, fault: 'none' },
    byLoudness: { soft: band, medium: band, loud: band },
    ...step,
    ...(isObject(step['slur']) && { slur: { glitchS: step['slur']['gapS'], ...step['slur'] } }),
    ...(isObject(step['pair']) && { pair: { changeS: missing, ...step['pair'] } }),
    jumps: jumps.map((jump: unknown) => (isObject(jump) ? { kind: 'jump', ...jump } : jump)),
  };
}
