/** What is used of jstat, which ships no types. */
declare module 'jstat' {
  const jStat: {
    readonly beta: { inv(p: number, alpha: number, beta: number): number };
    readonly chisquare: { cdf(x: number, df: number): number };
    readonly normal: { cdf(x: number, mean: number, sd: number): number };
    readonly studentt: { inv(p: number, df: number): number };
  };
  export = jStat;
}
