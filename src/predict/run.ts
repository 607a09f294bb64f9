import { answerCases, type Answered, isObject, type Kinds } from '../cases';
import { answerColourSteep, ANSWERS } from './answers';
import { CASE_INPUTS, type CaseKind, COLOUR_STEEP } from './schema';

const CASE_KINDS = Object.keys(CASE_INPUTS) as CaseKind[];

/** Every kind of case of the predict command. */
export const KINDS: Kinds = Object.fromEntries(
  CASE_KINDS.map((kind) => [
    kind,
    (input, read) => {
      if (kind === 'steep' && isObject(input) && 'leafRatio' in input)
        return answerColourSteep(read(COLOUR_STEEP, input));
      return (ANSWERS[kind] as (i: unknown) => unknown)(read(CASE_INPUTS[kind], input));
    },
  ]),
);
export const predictDocument = (document: unknown): Answered => answerCases(document, KINDS);
