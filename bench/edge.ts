import {
  brokeAtS,
  brokeUnderPDb,
  heldUnderPDb,
  levelOfP,
  median,
  partialJumps,
  dropOuts,
  quantile,
  toneBody,
  upperMixed,
} from '@inner-hum/core/measure';
import { HOP_S, hear } from '@inner-hum/core/signal';
import { SeededRandom } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { writePage } from './pages';
import { toneAt } from './realTakes';
import { table } from './score';

const RATE_HZ = 44_100;
/** No longer than the recordings, so that none has a seam. */
const LENGTH_S = 3.8;
const FROM_DB = -18;
/** Sounding pitches of low and middle notes of an alto and a tenor, Hz. */
const PITCHES = [117, 139, 165, 196, 233, 277, 330];
const A_KIND = 28;

type Kind =
  | 'stops'
  | 'octave at once'
  | 'octave mixes in'
  | 'twelfth mixes in'
  | 'fades whole'
  | 'held with vibrato'
  | 'swells';
const KINDS: readonly Kind[] = [
  'stops',
  'octave at once',
  'octave mixes in',
  'twelfth mixes in',
  'fades whole',
  'held with vibrato',
  'swells',
];

/** A recorded tone drawn to a line of levels, and what breaks it, all known. */
function made(kind: Kind, seed: number) {
  const random = new SeededRandom(seed);
  const hz = PITCHES[seed % PITCHES.length]! * (1 + 0.02 * random.normal());
  const rateDbPerS = 5 + 3 * random.uniform();
  const breakS = 2.2 + 1.3 * random.uniform();
  const breaks = kind === 'stops' || kind.startsWith('octave') || kind.startsWith('twelfth');
  const mixesS = kind.endsWith('mixes in') ? 0.4 + 0.8 * random.uniform() : 0;
  const levelAt = (t: number) =>
    kind === 'held with vibrato'
      ? -30
      : kind === 'swells'
        ? -40 + 22 * Math.sin((Math.PI * t) / LENGTH_S)
        : FROM_DB - rateDbPerS * t;
  const own = levelled(toneAt(hz, true, LENGTH_S), levelAt);
  const upper = kind.startsWith('octave') ? 2 : kind.startsWith('twelfth') ? 3 : 0;
  const over = upper > 0 ? levelled(toneAt(upper * hz, true, LENGTH_S), levelAt) : undefined;
  const out = own.map((sample, i) => {
    const t = i / RATE_HZ;
    const wobble = kind === 'held with vibrato' ? 1 + 0.25 * Math.sin(2 * Math.PI * 5 * t) : 1;
    if (!breaks) return sample * wobble;
    const gone = Math.min(1, Math.max(0, (t - breakS) / 0.03));
    // The other tone comes in evenly in decibels, from 26 dB under the tone to as loud as it, and then takes its place.
    const share = mixesS > 0 && t > breakS - mixesS ? 10 ** ((-26 + (26 * (t - breakS + mixesS)) / mixesS) / 20) : 0;
    const other = over ? over[i]! * (t < breakS ? share : 1) : 0;
    return sample * (1 - gone) + other * (over && (mixesS > 0 || t >= breakS) ? 1 : 0);
  });
  for (let i = 0; i < out.length; i++) out[i]! += 3e-5 * random.normal();
  return {
    samples: out,
    hz,
    breakS: breaks ? breakS : undefined,
    breakDb: levelAt(breakS),
    softestDb: levelAt(breaks ? breakS : LENGTH_S),
  };
}

/** A sound drawn to a line of levels, dBFS of its root mean square over a tenth of a second. */
function levelled(tone: Float32Array, levelAt: (timeS: number) => number): Float32Array {
  const reach = Math.round(0.05 * RATE_HZ);
  const power = new Float64Array(tone.length + 1);
  for (let i = 0; i < tone.length; i++) power[i + 1] = power[i]! + tone[i]! ** 2;
  return tone.map((sample, i) => {
    const [a, b] = [Math.max(0, i - reach), Math.min(tone.length, i + reach)];
    const ownDb = 10 * Math.log10((power[b]! - power[a]!) / (b - a) + 1e-12);
    return sample * 10 ** ((levelAt(i / RATE_HZ) - ownDb) / 20);
  });
}

const rows = KINDS.map((kind) => {
  const all = Array.from({ length: A_KIND }, (_, i) => {
    const { samples, hz, breakS, breakDb, softestDb } = made(kind, i);
    const frames = hear(samples, { sampleRateHz: RATE_HZ, minHz: 60, maxHz: 1500 });
    const span = { start: 5, end: frames.count - 2 };
    const broken = { jumps: partialJumps(frames, span, hz, hz, 1), dropOuts: dropOuts(frames, span) };
    const atS = brokeAtS(0.05, broken);
    const body = toneBody(frames, span, hz, 0.1);
    const broke = brokeUnderPDb(frames, atS, ASSUMED_RULER);
    const held = heldUnderPDb(body, atS, ASSUMED_RULER);
    const pDb = levelOfP(ASSUMED_RULER);
    const whole = { ...span, end: breakS === undefined ? span.end : Math.round(breakS / HOP_S) };
    const [sign] = upperMixed(frames, whole);
    const leadS = sign && breakS !== undefined ? breakS - sign.atS : undefined;
    return {
      leadS: kind.endsWith('mixes in') ? leadS : undefined,
      falseSigns: kind.endsWith('mixes in') ? 0 : upperMixed(frames, whole).length,
      minutes: ((whole.end - whole.start) * HOP_S) / 60,
      found: breakS !== undefined && atS !== undefined && Math.abs(atS - breakS) < 0.25,
      wrongly: breakS === undefined ? atS !== undefined : atS !== undefined && atS < breakS - 0.25,
      brokeErrorDb: broke.kind === 'measured' ? Math.abs(broke.value - (pDb - breakDb)) : undefined,
      heldErrorDb:
        held.kind === 'measured' && kind !== 'held with vibrato' && kind !== 'swells'
          ? Math.abs(held.value - (pDb - softestDb))
          : undefined,
    };
  });
  const breaks = kind === 'stops' || kind.includes('octave') || kind.includes('twelfth');
  const numbers = (name: 'brokeErrorDb' | 'heldErrorDb' | 'leadS') => all.flatMap((one) => one[name] ?? []);
  const both = (values: number[]) =>
    values.length > 0 ? `${median(values).toFixed(1)} / ${quantile(values, 0.95).toFixed(1)}` : '–';
  const share = (name: 'found' | 'wrongly') =>
    `${Math.round((100 * all.filter((one) => one[name]).length) / all.length)} %`;
  const leads = numbers('leadS');
  const sum = (name: 'falseSigns' | 'minutes') => all.reduce((total, one) => total + one[name], 0);
  const of = (count: number) => `${Math.round((100 * count) / all.length)} %`;
  return [
    kind,
    breaks ? share('found') : '–',
    share('wrongly'),
    both(numbers('brokeErrorDb')),
    both(numbers('heldErrorDb')),
    ...(kind.endsWith('mixes in')
      ? [of(leads.length), of(leads.filter((s) => s >= 0.3).length), `${median(leads).toFixed(2)} s`, '–']
      : ['–', '–', '–', (sum('falseSigns') / sum('minutes')).toFixed(1)]),
  ];
});

const report = `# The edge of a tone

Recorded saxophone tones (not the stand-in) drawn to known lines of level, ${A_KIND} of each kind at ${PITCHES.length} pitches from ${PITCHES[0]} to ${PITCHES.at(-1)} Hz, and broken at a
known level: cut off, or replaced by a recorded tone an octave or a twelfth above, at once or mixing in over 0.4 to 1.2 s from 26 dB under the tone to as
loud as it.

${table([
  [
    'kind',
    'break found within 0.25 s',
    'broken though it was not',
    'level of the break, error dB median / 95th',
    'softest level held, error dB',
    'warned before it',
    '0.3 s and more before',
    'how long before, median',
    'false warnings a minute',
  ],
  ...rows,
])}

The early sign is \`UpperMix\` of the ear: partials that the tone has in common with its octave or its twelfth come up out of
their neighbours. Here the other tone is another recording, as soft as 26 dB under the tone when it begins; until it is about
8 dB under it, it can't be told from what a tone's own partials do. What mixes in for long is told in time, a quick break is not.
`;
writePage('edge', report);
