/** The part of jstat that is used; it ships no types. */
declare module 'jstat' {
  const jstat: {
    erf(x: number): number;
    readonly studentt: { inv(p: number, degrees: number): number };
    readonly normal: {
      cdf(x: number, mean: number, sd: number): number;
      inv(p: number, mean: number, sd: number): number;
      pdf(x: number, mean: number, sd: number): number;
    };
  };
  export default jstat;
}
