/** What an error says, for the place in a sentence that tells why. The database's errors say it twice, on two lines. */
export function detailOf(error: unknown): string {
  return (error instanceof Error ? error.message : String(error)).split('\n')[0]!;
}
