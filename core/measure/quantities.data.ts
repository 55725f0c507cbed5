/** How strict a take is judged. */
export const DEMANDS = ['loose', 'firm', 'fine'] as const;
export type Demand = (typeof DEMANDS)[number];
type Limits = Readonly<Record<Demand, number>>;

/** Units in which a quantity is shown. */
export type Unit = 'ms' | 'cents' | 'centsPerS' | 'db' | 'percent' | 'beats' | 'hz' | 'partials';

/** A quantity: how it is shown, and where it begins to matter. Values and limits are in the unit of its own name. */
export interface QuantityRow {
  readonly unit: Unit;
  /** what its value is multiplied by to be in that unit */
  readonly factor: number;
  readonly digits: number;
  /** shown with its sign: its best is 0, and both sides of it are worse */
  readonly signed: boolean;
  /** which way is better; `zero` where both sides are worse, `none` where it is no question of better */
  readonly better: 'lower' | 'higher' | 'zero' | 'none';
  /** beyond this it is a finding, by demand */
  readonly limits?: Limits;
  /** name of its column in tables that leave the application */
  readonly column?: string;
}

const same = (limit: number): Limits => ({ loose: limit, firm: limit, fine: limit });
const ms = { unit: 'ms', factor: 1000, digits: 0, signed: false, better: 'lower' } as const;
const cents = { unit: 'cents', factor: 1, digits: 1, signed: true, better: 'zero' } as const;
const db = { unit: 'db', factor: 1, digits: 1, signed: false, better: 'lower' } as const;
const percent = { unit: 'percent', factor: 100, digits: 0, signed: false, better: 'higher' } as const;
const partials = { unit: 'partials', factor: 1, digits: 1, signed: false, better: 'none' } as const;

/**
 * Every quantity, once: name, unit, digits, limits by demand, which way is better. Limits are our choice; those of pitch are
 * the pitch windows of the demands.
 */
export const QUANTITY_ROWS = {
  responseS: { ...ms, limits: { loose: 0.25, firm: 0.16, fine: 0.1 }, column: 'response_s' },
  latenessS: {
    ...ms,
    signed: true,
    better: 'zero',
    limits: { loose: 0.12, firm: 0.07, fine: 0.04 },
    column: 'lateness_s',
  },
  riseS: { ...ms, better: 'none', column: 'rise_s' },
  octaveBelowS: { ...ms, limits: same(0.05), column: 'octave_below_s' },
  settleS: { ...ms, column: 'settle_s' },
  scoopCents: { ...cents, limits: same(15), column: 'scoop_cents' },
  pitchCentreCents: { ...cents, limits: { loose: 20, firm: 12, fine: 7 }, column: 'pitch_centre_cents' },
  pitchSteadinessCents: {
    ...cents,
    signed: false,
    better: 'lower',
    limits: { loose: 8, firm: 5, fine: 3.5 },
    column: 'pitch_steadiness_cents',
  },
  driftCentsPerS: {
    ...cents,
    unit: 'centsPerS',
    limits: { loose: 6, firm: 3.5, fine: 2 },
    column: 'drift_cents_per_s',
  },
  shareInWindow: { ...percent, column: 'share_in_window' },
  pitchAgainstLevelCents: {
    ...cents,
    limits: { loose: 12, firm: 7, fine: 4 },
    column: 'pitch_against_level_cents_per_10db',
  },
  rangeDb: { ...db, better: 'higher', column: 'range_db' },
  swellErrorDb: { ...db, limits: { loose: 3, firm: 2, fine: 1.3 }, column: 'swell_error_db' },
  wrongWayShare: { ...percent, better: 'lower', limits: same(0.12), column: 'wrong_way_share' },
  peakPlaceBeats: {
    unit: 'beats',
    factor: 1,
    digits: 2,
    signed: true,
    better: 'zero',
    limits: same(0.75),
    column: 'peak_place_beats',
  },
  vibratoHz: { unit: 'hz', factor: 1, digits: 1, signed: false, better: 'none', column: 'vibrato_hz' },
  vibratoCents: { ...cents, signed: false, better: 'none', column: 'vibrato_cents' },
  vibratoRegularity: { ...percent, column: 'vibrato_regularity' },
  centroidPartials: { ...partials, column: 'centroid_partials' },
  colourTravelPartials: { ...partials, column: 'colour_travel_partials' },
  // A horn's own colour opens by up to two partials for each 10 dB.
  centroidAgainstLevel: { ...partials, signed: true, limits: same(2.6), column: 'centroid_per_10db' },
  breathRatioDb: { ...db, column: 'breath_db' },
  breathAgainstLevel: { ...db, signed: true, better: 'none', column: 'breath_db_per_10db' },
  breathAtSoftEndDb: { ...db, limits: same(-14), column: 'breath_at_soft_end_db' },
  levelAgainstPlanDb: {
    ...db,
    signed: true,
    better: 'zero',
    limits: { loose: 10, firm: 7, fine: 5 },
    column: 'level_against_plan_db',
  },
  levelDb: { ...db, better: 'none', column: 'level_dbfs' },
  softestDb: { ...db, column: 'softest_dbfs' },
  releaseS: { ...ms, better: 'none' },
  slipCents: { ...cents, limits: same(12) },
  holdBeats: { unit: 'beats', factor: 1, digits: 1, signed: false, better: 'higher' },
  slurGapS: { ...ms, limits: same(0.06) },
  slurStepDb: { ...db, signed: true, better: 'zero', limits: same(5) },
  glitchS: { ...ms, limits: { loose: 0.15, firm: 0.1, fine: 0.06 } },
  pairDistanceDb: { ...db, limits: { loose: 6, firm: 4.5, fine: 3 } },
  pairLevelDb: { ...db, signed: true, better: 'zero', limits: same(4) },
  humCents: { ...cents, limits: { loose: 40, firm: 25, fine: 15 } },
  /** of the planned range that a swell must reach */
  rangeShare: { ...percent, limits: { loose: 0.5, firm: 0.65, fine: 0.8 } },
  bendStepCents: { ...cents, signed: false, better: 'lower', limits: same(60) },
} as const satisfies Record<string, QuantityRow>;

export type QuantityName = keyof typeof QUANTITY_ROWS;
type Limited = { [N in QuantityName]: (typeof QUANTITY_ROWS)[N] extends { limits: Limits } ? N : never }[QuantityName];

/** Where a quantity begins to matter under a demand, in the unit of its name. */
export function limitOf(name: Limited, demand: Demand): number {
  return QUANTITY_ROWS[name].limits[demand];
}

/** A value of a quantity in its shown unit. */
export function shown(name: QuantityName, value: number): number {
  return value * QUANTITY_ROWS[name].factor;
}

/** Half-width of the pitch window of each demand, cents. */
export const DEMAND_CENTS: Limits = QUANTITY_ROWS.pitchCentreCents.limits;
