/** What an error says, for the place in a sentence that tells why. The database's errors say it twice, on two lines. */
export function detailOf(error: unknown): string {
  const said = error instanceof Error ? error.message || error.name : String(error);
  return said.split('\n')[0] || 'no reason was given';
}
