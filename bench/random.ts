/** Seeded random numbers for the bench: xorshift32 and a Box–Muller normal. */
export class BenchRandom {
  private state: number;
  constructor(seed: number) {
    this.state = (seed * 2654435761) >>> 0 || 1;
    for (let i = 0; i < 8; i++) this.uniform();
  }
  uniform(): number {
    this.state ^= this.state << 13;
    this.state >>>= 0;
    this.state ^= this.state >>> 17;
    this.state ^= this.state << 5;
    this.state >>>= 0;
    return this.state / 4294967296;
  }
  normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.uniform())) * Math.cos(2 * Math.PI * this.uniform());
  }
}

/** The noise of what is called so: its own, whatever stands before it in a list. FNV-1a, 32 bits. */
export function seedFrom(name: string): number {
  let seed = 0x811c9dc5;
  for (const letter of name) seed = Math.imul(seed ^ letter.codePointAt(0)!, 0x01000193) >>> 0;
  return seed;
}
