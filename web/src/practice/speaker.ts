/** Something the page plays that gives way when another begins. */
export interface Turn {
  giveWay(): void;
}

/** What the page itself plays: of all its players one sounds at a time, and a microphone may hear it. */
export class Speaker {
  private readonly sounding = new Set<object>();
  private turn: Turn | undefined;

  began(sound: object): void {
    this.sounding.add(sound);
  }

  isOver(sound: object): void {
    this.sounding.delete(sound);
    if (this.turn === sound) this.turn = undefined;
  }

  /** From now on it is this one's turn; whoever had it gives way. */
  takeTurn(player: Turn): void {
    const before = this.turn;
    if (before && before !== player) before.giveWay();
    this.turn = player;
  }

  /** Whether a microphone may hear the page itself. */
  get sounds(): boolean {
    return this.sounding.size > 0 || ('speechSynthesis' in globalThis && globalThis.speechSynthesis.speaking);
  }
}
