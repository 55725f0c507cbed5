import type { Wander } from './benchCase';
import type { BenchRandom } from './random';

/** Cents of a wandering pitch over time: from one side to the other by halves of a cosine, each of its own length. */
export function wandering({ cents, fromS, toS }: Wander, random: BenchRandom): (atS: number) => number {
  let [startS, side] = [0, random.uniform() < 0.5 ? -1 : 1];
  let lengthS = fromS + (toS - fromS) * random.uniform();
  return (atS) => {
    while (atS >= startS + lengthS) {
      startS += lengthS;
      lengthS = fromS + (toS - fromS) * random.uniform();
      side = -side;
    }
    return side * cents * Math.cos((Math.PI * (atS - startS)) / lengthS);
  };
}
