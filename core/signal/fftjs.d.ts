declare module 'fft.js' {
  /** Radix-4 FFT; complex arrays are interleaved re, im. */
  export default class FFT {
    constructor(size: number);
    readonly size: number;
    realTransform(out: Float64Array | number[], input: ArrayLike<number>): void;
    transform(out: Float64Array | number[], input: ArrayLike<number>): void;
    inverseTransform(out: Float64Array | number[], input: ArrayLike<number>): void;
    completeSpectrum(spectrum: Float64Array | number[]): void;
  }
}
