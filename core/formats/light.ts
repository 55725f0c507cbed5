/** What every page needs of the formats, without the packages that only files need. */
export { modernise } from './modernise';
export { packedLength, packFrames, unpackFrames } from './packedFrames';
export { fromInt16, toInt16 } from './pcm';
