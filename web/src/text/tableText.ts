import type { ParseKeys, TFunction } from 'i18next';

/** Words of what has its id from a table of core; all other keys are checked where they are said. */
type TableKey =
  | `families.${string}.${'name' | 'what'}`
  | `${'fields' | 'options' | 'cues' | 'instruments' | 'gear.parts' | 'log.findings' | 'stand.silentBar'}.${string}`
  | `schools.${string}.${string}`
  | `compare.${'quantities' | 'ways'}.${string}`
  | `today.change.${string}`
  | `exercise.notPossible.${string}`
  | `patterns.${string}.what`
  | `verdict.tries.${string}`;

type Values = Readonly<Record<string, unknown>>;

/** The words of a row of a table: a test looks that each row has its own. */
export function tableText(t: TFunction, key: TableKey, values: Values = {}): string {
  return saidText(t, key as ParseKeys, values);
}

/** A sentence that was chosen elsewhere with what fills it. */
export function saidText(t: TFunction, key: ParseKeys, values: Values = {}): string {
  return (t as unknown as (key: string, values: Values) => string)(key, values);
}
