/** What an error says, for the place in a sentence that tells why. */
export function detailOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
