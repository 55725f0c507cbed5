/** What the page itself plays now. */
const sounding = new Set<object>();

export const began = (sound: object): void => void sounding.add(sound);
export const isOver = (sound: object): void => void sounding.delete(sound);

/** Whether a microphone may hear the page itself. */
export function pageSounds(): boolean {
  return sounding.size > 0 || ('speechSynthesis' in globalThis && globalThis.speechSynthesis.speaking);
}
