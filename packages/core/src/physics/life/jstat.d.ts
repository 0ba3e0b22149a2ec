/** The part of jstat that is used; it ships no types. */
declare module 'jstat' {
  const jstat: {
    readonly studentt: { inv(p: number, degrees: number): number };
    readonly normal: {
      cdf(x: number, mean: number, sd: number): number;
      pdf(x: number, mean: number, sd: number): number;
    };
  };
  export default jstat;
}
