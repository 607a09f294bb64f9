// Words that claim an effect on health. Food law lets a shop make such claims only where they are authorised (in the European
// Union: Regulation (EC) No 1924/2006); a card that says them is to be asked about before it is printed. The list is from
// memory of what packets say. A help, not a check: what is not found may still be a claim.

/** What tea is said to act on in somebody. */
const BODY =
  '(?:heart|liver|kidneys?|skin|hair|gut|stomach|digestion|metabolism|circulation|sleep|nerves|mood|mind|memory|brain|bones|' +
  'joints|teeth|hormones|health|body|immune system|immunity|blood (?:sugar|pressure)|cholesterol)';
const AILMENT =
  '(?:colds?|coughs?|flu|fevers?|headaches?|migraines?|nausea|bloating|cramps|stress|anxiety|depression|insomnia|' +
  'inflammations?|infections?|cancer|diabetes|hangovers?|(?:sore|scratchy) throats?|(?:high )?blood (?:sugar|pressure)|cholesterol|' +
  'pains?|aches?|allergies|toxins|ageing|aging|disease|illness(?:es)?)';
const YOUR = '(?:your |the |a |an )?';

/** Each way of claiming. What is said of leaf, cup or guest only, as "a treat" or "cured leaf", has no ailment or body in it. */
const CLAIMS: readonly RegExp[] = [
  new RegExp(
    `\\b(?:treat|cure|heal|reliev|prevent|fight|combat|eas|sooth|reduc|lower|calm|banish|beat)(?:e?s|ed|ing|e)? ${YOUR}${AILMENT}\\b`,
    'i',
  ),
  new RegExp(
    `\\b(?:boost|support|strengthen|improv|aid|help|promot|cleans|purif|protect|regulat|stimulat|balanc|calm|sooth|heal|nourish)` +
      `(?:e?s|ed|ing|e|ies|y)? ${YOUR}${BODY}\\b`,
    'i',
  ),
  new RegExp(
    `\\b(?:good|great|best|healthy|wonderful) (?:for|against) ${YOUR}(?:${BODY}|${AILMENT})\\b`,
    'i',
  ),
  new RegExp(
    `\\b(?:helps?|works?|effective|remed(?:y|ies)) (?:against|with|for) ${YOUR}${AILMENT}\\b`,
    'i',
  ),
  new RegExp(`\\b${AILMENT} (?:relief|remed(?:y|ies)|cure)\\b`, 'i'),
  new RegExp(
    `\\b(?:immunity|immune|metabolism|digestion|mood|brain)[- ](?:boost(?:s|ing|er)?|support)\\b`,
    'i',
  ),
  /\bdetox(?:es|ed|ing|ify(?:ing)?|ifies|ification)?\b/i,
  /\b(?:fat[- ]burn(?:s|ing|er)?|burns? (?:body )?fat|weight[- ]loss|slimming|lose weight)\b/i,
  /\banti[- ]?(?:inflammatory|oxidants?|ageing|aging|bacterial|viral)\b/i,
  /\b(?:medicinal|therapeutic|healing (?:power|properties|tea|herbs?|blend)|curative|health benefits?|superfood)\b/i,
  /\b(?:cures|heals) (?:everything|all|you|anything)\b/i,
];

/**
 * The words of a text that claim an effect on health, as they are written; each once.
 * @example healthClaims('Malty. Boosts immunity, a treat in the morning.') // ['Boosts immunity']
 */
export function healthClaims(text: string): string[] {
  const found = CLAIMS.flatMap((claim) => {
    const words = claim.exec(text)?.[0];
    return words === undefined ? [] : [words];
  });
  // One claim may be found in two ways: the longer words hold the shorter.
  return [...new Set(found)].filter(
    (words) => !found.some((other) => other !== words && other.includes(words)),
  );
}
