/** How strict a take is judged. */
export const DEMANDS = ['loose', 'firm', 'fine'] as const;
export type Demand = (typeof DEMANDS)[number];
type Limits = Readonly<Record<Demand, number>>;

/** Units in which a quantity is shown. */
export type Unit = 's' | 'ms' | 'cents' | 'centsPerS' | 'db' | 'percent' | 'beats' | 'hz' | 'partials';

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
  /** what each sounded tone has of it is a column of this name in tables that leave the application */
  readonly column?: string;
  /** measured by the first version already: of others an older take says that they were not measured then */
  readonly everSince?: true;
  /** whether the table of a take's numbers leaves it out, always or where it was not found */
  readonly untold?: 'always' | 'absent';
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
    everSince: true,
  },
  riseS: { ...ms, better: 'none', column: 'rise_s' },
  /** for how long the octave below sounded with the tone at first */
  octaveBelowS: { ...ms, limits: same(0.05), column: 'octave_below_s' },
  /** how much louder its start was than what followed */
  overshootDb: { ...db, signed: true, limits: { loose: 8, firm: 6, fine: 4 }, column: 'overshoot_db' },
  /** how far the air that runs before it strays to each side of its middle */
  airSpreadDb: { ...db, limits: { loose: 4, firm: 3, fine: 2 }, column: 'air_spread_db', untold: 'absent' },
  /** how much air ran when the tone came out of it, over the room */
  startAirDb: { ...db, better: 'none', column: 'start_air_db', untold: 'absent' },
  /** how long a breath was heard before it where none was to be taken */
  breathTakenS: { ...ms, limits: same(0.08), column: 'breath_taken_s', untold: 'absent' },
  settleS: { ...ms, column: 'settle_s' },
  scoopCents: { ...cents, limits: same(15), column: 'scoop_cents' },
  pitchCentreCents: {
    ...cents,
    limits: { loose: 20, firm: 12, fine: 7 },
    column: 'pitch_centre_cents',
    everSince: true,
  },
  pitchSteadinessCents: {
    ...cents,
    signed: false,
    better: 'lower',
    limits: { loose: 8, firm: 5, fine: 3.5 },
    column: 'pitch_steadiness_cents',
    everSince: true,
  },
  driftCentsPerS: {
    ...cents,
    unit: 'centsPerS',
    limits: { loose: 6, firm: 3.5, fine: 2 },
    column: 'drift_cents_per_s',
    everSince: true,
  },
  shareInWindow: { ...percent, column: 'share_in_window', everSince: true },
  pitchAgainstLevelCents: {
    ...cents,
    limits: { loose: 12, firm: 7, fine: 4 },
    column: 'pitch_against_level_cents_per_10db',
    everSince: true,
  },
  rangeDb: { ...db, better: 'higher', column: 'range_db', everSince: true },
  swellErrorDb: { ...db, limits: { loose: 3, firm: 2, fine: 1.3 }, column: 'swell_error_db', everSince: true },
  wrongWayShare: { ...percent, better: 'lower', limits: same(0.12), column: 'wrong_way_share', everSince: true },
  peakPlaceBeats: {
    unit: 'beats',
    factor: 1,
    digits: 2,
    signed: true,
    better: 'zero',
    limits: same(0.75),
    column: 'peak_place_beats',
    everSince: true,
  },
  vibratoHz: { unit: 'hz', factor: 1, digits: 1, signed: false, better: 'none', column: 'vibrato_hz' },
  vibratoCents: { ...cents, signed: false, better: 'none', column: 'vibrato_cents', untold: 'absent' },
  vibratoRegularity: { ...percent, column: 'vibrato_regularity', untold: 'absent' },
  centroidPartials: { ...partials, column: 'centroid_partials' },
  /** how far the colour travelled within the tone */
  colourTravelPartials: { ...partials, column: 'colour_travel_partials', untold: 'always' },
  // A horn's own colour opens by up to two partials for each 10 dB.
  /** for each 10 dB */
  centroidAgainstLevel: { ...partials, signed: true, limits: same(2.6), column: 'centroid_per_10db' },
  breathRatioDb: { ...db, column: 'breath_db' },
  /** for each 10 dB */
  breathAgainstLevel: { ...db, signed: true, better: 'none', column: 'breath_db_per_10db' },
  breathAtSoftEndDb: { ...db, limits: same(-14), column: 'breath_at_soft_end_db', everSince: true },
  levelAgainstPlanDb: {
    ...db,
    signed: true,
    better: 'zero',
    limits: { loose: 10, firm: 7, fine: 5 },
    column: 'level_against_plan_db',
  },
  /** median of its body */
  levelDb: { ...db, better: 'none', column: 'level_dbfs', untold: 'always' },
  /** softest level at which it was itself */
  softestDb: { ...db, column: 'softest_dbfs' },
  /** how far below p it was when it left its partial or stopped to sound */
  brokeUnderPDb: { ...db, signed: true, better: 'higher', column: 'broke_under_p_db', untold: 'absent' },
  /** how far below p it was held before that, or at all */
  heldUnderPDb: { ...db, signed: true, better: 'higher', column: 'held_under_p_db' },
  releaseS: { ...ms, better: 'none' },
  slipCents: { ...cents, limits: same(12) },
  /** how long a breath held a tone that nothing but the breath ended */
  holdS: { unit: 's', factor: 1, digits: 1, signed: false, better: 'higher' },
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
/** Those that each sounded tone of a take has. */
export type StepQuantity = {
  [N in QuantityName]: (typeof QUANTITY_ROWS)[N] extends { column: string } ? N : never;
}[QuantityName];
export const STEP_QUANTITIES = (Object.keys(QUANTITY_ROWS) as QuantityName[]).filter(
  (name): name is StepQuantity => 'column' in QUANTITY_ROWS[name],
);

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
