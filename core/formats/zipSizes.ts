/** A zip whose files would unpack to more than it may. */
export class TooLarge extends Error {}

/** Largest single file of a zip and all of them together, bytes unpacked. */
const LARGEST_FILE = 400e6;
const LARGEST_ZIP = 2e9;

/**
 * Lets files of a zip through by the size they say to have, before anything is unpacked.
 * @throws TooLarge when one or all of them together are beyond bounds
 */
export function sizeGuard(largestFile = LARGEST_FILE, largestZip = LARGEST_ZIP) {
  let total = 0;
  return ({ name, originalSize }: { readonly name: string; readonly originalSize: number }): boolean => {
    total += originalSize;
    if (originalSize > largestFile || total > largestZip)
      throw new TooLarge(`${name}: ${Math.round(originalSize / 1e6)} MB unpacked is more than can be read`);
    return true;
  };
}
