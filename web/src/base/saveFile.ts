/** Longest name of a file: systems take some 250 bytes, which fewer letters of other alphabets fill. */
const LONGEST_NAME = 80;

/** Hands a file to the player's downloads. */
export function saveFile(name: string, type: string, content: BlobPart): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = shortened(name);
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** The name with its beginning shortened where it is long; what kind of file it is stays. */
function shortened(name: string): string {
  const dot = name.lastIndexOf('.');
  return name.length <= LONGEST_NAME || dot < 0 ? name : name.slice(0, LONGEST_NAME) + name.slice(dot);
}
