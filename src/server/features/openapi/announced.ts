/**
 * The version of the requests. Its first number is raised with a change that breaks what calls them; that change is
 * announced here, in the words of `breakingChanges`, until `npm run openapi -- --release` makes it the rule.
 */
export const API_VERSION = '1.0.0';
export const ANNOUNCED: readonly string[] = [];
