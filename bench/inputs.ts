import { gainControl } from '@inner-hum/core/measure';
import { cleanTake, gated, heardAs, withGainControl } from './inputTakes';
import { table } from './score';
import { writePage } from './pages';

const TAKES = 60;

const tally = new Map<string, { takes: number; rides: number; gated: number; clean: number }>();
for (let seed = 1; seed <= TAKES; seed++) {
  const { score, samples } = cleanTake(seed);
  const row = tally.get(score.family) ?? { takes: 0, rides: 0, gated: 0, clean: 0 };
  tally.set(score.family, row);
  row.takes++;
  const clean = gainControl(heardAs(score, samples));
  if (clean.gainRidesDb === undefined && !clean.gated) row.clean++;
  if (gainControl(heardAs(score, withGainControl(samples, seed))).gainRidesDb !== undefined) row.rides++;
  if (gainControl(heardAs(score, gated(samples))).gated) row.gated++;
}
const sum = (name: 'rides' | 'gated' | 'clean') => [...tally.values()].reduce((all, row) => all + row[name], 0);
const report = `# What the device does to the levels

Written by \`npm run bench:inputs\`: ${TAKES} takes of the stand-in player, clean, on four sizes, in rooms that ring for 0, 0.25 and 0.4 s, each
heard as it is, through a gain that follows the level (0.4–3 s to come back, 60–100 % of the way, 15–27 dB of reach), and with its pauses cut to
silence. The rule (\`core/measure/gainControl.ts\`) listens to the room's noise before, after and between the tones.

- Takes through a gain that follows: **${sum('rides')} of ${TAKES}** recognised.
- Takes with gated pauses: **${sum('gated')} of ${TAKES}** recognised.
- Clean takes: **${sum('clean')} of ${TAKES}** raise nothing.

${table([
  ['family', 'takes', 'gain recognised', 'gate recognised', 'clean, nothing raised'],
  ...[...tally].map(([family, row]) => [family, row.takes, row.rides, row.gated, row.clean].map(String)),
])}

What it can't tell: a gain that is fast enough to be back before the tone has ended, in a single tone without pauses; and any gain in a room
that is louder than the tone's own noise changes.
`;
writePage('inputs', report);
console.log(report);
