/** The sound file that plays the part of the microphone: kept in memory, chosen anew at each visit. */
let chosen: File | undefined;

export function chooseFile(file: File): void {
  chosen = file;
}

export function chosenFile(): File | undefined {
  return chosen;
}
