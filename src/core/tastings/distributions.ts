// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- jstat ships no types; whoever compiles this file needs ours
/// <reference path="./jstat.d.ts" />
import jStat from 'jstat';

// The distributions that the statistics of a table need, from jstat.

export const betaAt = (p: number, a: number, b: number): number => jStat.beta.inv(p, a, b);
export const chiSquareUpTo = (x: number, df: number): number => jStat.chisquare.cdf(x, df);
export const normalUpTo = (x: number, mean = 0, sd = 1): number => jStat.normal.cdf(x, mean, sd);
export const studentAt = (p: number, df: number): number => jStat.studentt.inv(p, df);
