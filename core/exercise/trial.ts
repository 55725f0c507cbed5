/** Which try of an experiment a take is. */
export interface Trial {
  readonly experiment: string;
  readonly round: number;
  readonly variant: number;
  /** 0, or 1 for the second probe of a round that has one before and one after */
  readonly part: number;
}
