/** What is used of the library: distributions, and least squares with their errors. */
declare module 'jstat' {
  const jstat: {
    readonly studentt: {
      /** the quantile of a probability with so many degrees of freedom */
      inv(probability: number, freedom: number): number;
      cdf(value: number, freedom: number): number;
    };
    readonly normal: { inv(probability: number, mean: number, deviation: number): number };
    readonly binomial: { cdf(successes: number, tries: number, probability: number): number };
    /** of square matrices, as lists of rows */
    inv(matrix: readonly (readonly number[])[]): number[][];
  };
  export default jstat;
}
