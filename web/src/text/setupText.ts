import { SETUP_PARTS, type SetupNames } from '@inner-hum/core/history';

/** What was played on, as one line; '' when nothing was said. */
export function setupText(setup: Partial<SetupNames>): string {
  return SETUP_PARTS.flatMap((part) => setup[part] ?? []).join(', ');
}
