import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { tubeOf } from '@inner-hum/core/measure';
import { hear } from '@inner-hum/core/signal';
import { CLEAN_HABITS, playStandIn } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { RATE_HZ } from './benchCase';
import { render } from './generate';
import { writePage } from './pages';
import { recordings } from './recorded';
import { quantile, table } from './score';

// How often the source of a tone is named right, on sound of three kinds. Partial 1: the regular fingering.

const CANDIDATES = [2, 3, 4, 5, 6, 8];
const TUBES = [58, 59, 60, 61];
const SEEDS = [1, 2, 3];
const EDGE_S = 0.3;

interface Tone {
  readonly samples: Float32Array;
  readonly sampleRateHz: number;
  readonly partial: number;
}

/** The stand-in's tones: the tube's own fundamental and one more of its partials sound along, 30 dB under. */
function played(): Tone[] {
  return [1, 2, 3, 4, 5, 6].flatMap((partial) =>
    TUBES.flatMap((writtenMidi) =>
      SEEDS.map((seed) => {
        const score = exerciseScore({
          ...usualExercise(familyById('directOvertone'), 'alto'),
          ...{ writtenMidi, partial: Math.max(2, partial), repeats: 1 },
        });
        const steps = score.steps.map((step) => ({ ...step, partialNumber: partial }));
        const common = { a4Hz: 440, ruler: ASSUMED_RULER, sampleRateHz: RATE_HZ, leadS: 0.5, tailS: 0.5 };
        const samples = playStandIn({ ...score, steps }, { ...common, habits: CLEAN_HABITS, seed });
        return { samples, sampleRateHz: RATE_HZ, partial };
      }),
    ),
  );
}

/** Pulses through filters, the tube's whole row under them. */
function pulses(db: number): Tone[] {
  return [1, 2, 3, 4, 5, 6].flatMap((partial) =>
    [233, 277, 311, 466, 622, 831].map((hz, i) => {
      const residue = partial > 1 && { residue: { partial, db } };
      const tone = { startS: 0.3, endS: 2.7, hz, amplitude: 0.12, brightness: 10, breathDb: -35, ...residue };
      const { samples } = render({ name: 'tube', trap: 'tube', lengthS: 3, tones: [tone] }, 10 * partial + i);
      return { samples, sampleRateHz: RATE_HZ, partial };
    }),
  );
}

/** Recorded tones of a saxophone, all by regular fingerings; above the register key the tube is the same as of partial 2. */
const recorded = (): Tone[] => recordings().map((recording) => ({ ...recording, partial: 1 }));

function rowOf(name: string, tones: readonly Tone[]): string[] {
  const counts = { right: 0, wrong: 0, cannotTell: 0 };
  for (const { samples, sampleRateHz, partial } of tones) {
    const { f0Hz } = hear(samples, { sampleRateHz });
    const sounding = [...f0Hz.keys()].filter((i) => f0Hz[i]! > 0);
    const [from, to] = [sounding[0]! / 100 + EDGE_S, sounding.at(-1)! / 100 - EDGE_S];
    const hz = quantile(
      sounding.map((i) => f0Hz[i]!),
      0.5,
    );
    const part = samples.subarray(Math.round(from * sampleRateHz), Math.round(Math.min(to, from + 2) * sampleRateHz));
    const guess = tubeOf(part, sampleRateHz, hz, CANDIDATES);
    const named = guess.kind === 'partial' ? guess.partial : guess.kind === 'regular' ? 1 : undefined;
    counts[named === undefined ? 'cannotTell' : named === partial ? 'right' : 'wrong']++;
  }
  const percent = (count: number) => `${((100 * count) / tones.length).toFixed(0)} %`;
  return [name, String(tones.length), percent(counts.right), percent(counts.wrong), percent(counts.cannotTell)];
}

const report = `# The tube of a tone

Written by \`npm run bench:shelf\`. A tone of a recording can come from its regular fingering or be an overtone of a longer
tube. Under an overtone the tube goes on sounding its own row, faintly, at f0·m/n; \`tubeOf\` looks for it between the
partials. Here every candidate is open (partials ${CANDIDATES.join(', ')}); in the application only tubes that the horn has, and
a note with the octave key is not told from its tube's second partial: the tube is the same.

${table([
  ['sound', 'tones', 'source named right', 'wrong', 'can’t tell'],
  rowOf('stand-in, partials 1–6', played()),
  ...[-24, -34, -44].map((db) => rowOf(`pulses through filters, partials 1–6, the tube ${-db} dB under`, pulses(db))),
  rowOf('recorded saxophone, regular fingerings', recorded()),
])}

Recorded overtones of known tubes we have none: on them it is not shown.
`;
writePage('shelf', report);
console.log(report);
