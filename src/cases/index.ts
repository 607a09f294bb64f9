export { answerCases, isObject, type Answered, type Kinds, type Read } from './run';
export { documentOf, leafGrams, mark, number, oneOf, waterMl } from './document';
export { runCommand } from './command';
