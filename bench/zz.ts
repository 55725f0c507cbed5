import { swell, SWELL_DEFAULTS } from '@inner-hum/core/families';
import { CLEAN_HABITS, playStandIn, withFault } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { hear } from '@inner-hum/core/signal';
const score = swell({ ...SWELL_DEFAULTS, instrumentId: 'alto' } as never);
console.log(score.steps.length, score.steps[0].beats, score.tempoBpm);
let bad = 0;
const n = Number(process.argv[2] ?? 300);
for (let seed = 1; seed <= n; seed++) for (const fault of ['sinking','stair'] as const) {
  const s = playStandIn({...score}, { sampleRateHz: 44100, a4Hz: 440, ruler: ASSUMED_RULER, habits: { ...CLEAN_HABITS, ...withFault(fault) }, seed: seed * 7919, leadS: 0.6, tailS: 0.2 });
  const f = hear(s.subarray(0, 44100 * 2), { sampleRateHz: 44100 });
  let early = 0; for (let i = 0; i < 56; i++) if (f.f0Hz[i]! > 0) early++;
  if (early > 0) { bad++; console.log(seed, fault, early, [...f.f0Hz.subarray(0, 70)].map((x) => x.toFixed(0)).join(' ')); }
}
console.log('bad', bad, 'of', 2*n);
