import { rowOf, type FINDINGS, type FindingId, type Weight } from './findings.data';

/** The numbers of a finding's sentence. */
export type ValuesOfFinding<Id extends FindingId> = Readonly<Record<(typeof FINDINGS)[Id]['values'][number], number>>;

interface AnyFinding<Id extends FindingId> {
  readonly id: Id;
  readonly weight: Weight;
  /** which step of the score, from 0; the worst one when several have it */
  readonly stepIndex: number;
  /** how many steps have it; 1 when left out */
  readonly steps?: number;
  /** how far over its limit: 1 is at the limit; left out where there is no limit, and in takes of older versions */
  readonly severity?: number;
  readonly values: ValuesOfFinding<Id>;
}

/** One sentence of a verdict with its evidence: the numbers are those of its kind. */
export type Finding = { [Id in FindingId]: AnyFinding<Id> }[FindingId];

/** A finding of a kind; the one place where kind and numbers are put together. */
export function finding<Id extends FindingId>(
  id: Id,
  stepIndex: number,
  values: ValuesOfFinding<Id>,
  severity?: number,
): Finding {
  return {
    id,
    weight: rowOf(id).weight,
    stepIndex,
    values,
    ...(severity !== undefined && { severity }),
  } as unknown as Finding;
}
