/** Parts of a beat that a passage knows: its quarters, and its thirds with their halves. */
export const BEAT_PARTS = 12;
/** Places lie on a grid that sums are exact on: a third is off by a three-thousandth of a beat. */
const FINE = 1024;

/** The place of so many twelfths of a beat, beats: whole beats and quarters are exact, and so are the differences of any two. */
export const placeOf = (twelfths: number): number => Math.round((FINE * twelfths) / BEAT_PARTS) / FINE;

/** How many twelfths of a beat a place or a length is. */
export const twelfthsOf = (beats: number): number => Math.round(BEAT_PARTS * beats);

/** Whether so many twelfths are quarters of a beat, or sixths: what can be written. */
export const isWritable = (twelfths: number): boolean => twelfths % 3 === 0 || twelfths % 2 === 0;

/** Whether so many twelfths are no quarters of a beat: part of a triplet. */
export const isOfTriplet = (twelfths: number): boolean => twelfths % 3 !== 0;
