// Words that claim an effect on health. Food law lets a shop make such claims only where they are authorised (in the
// European Union: Regulation (EC) No 1924/2006), so before a card with such words is printed the shop is asked. The
// list is from memory of what packets say. A help, not a check: what is not found may still be a claim.

/** One of several ways of writing. */
const oneOf = (...ways: readonly string[]): string => `(?:${ways.join('|')})`;

/** What a tea is said to act on in somebody. */
const BODY = oneOf(
  ...['heart', 'liver', 'kidneys?', 'skin', 'hair', 'gut', 'stomach', 'digestion', 'metabolism'],
  ...[
    'circulation',
    'sleep',
    'nerves',
    'mood',
    'mind',
    'memory',
    'brain',
    'bones',
    'joints',
    'teeth',
  ],
  ...['hormones', 'health', 'body', 'immune system', 'immunity', 'blood sugar', 'blood pressure'],
  'cholesterol',
);
/** What a tea is said to act against. */
const AILMENT = oneOf(
  ...[
    'colds?',
    'coughs?',
    'flu',
    'fevers?',
    'headaches?',
    'migraines?',
    'nausea',
    'bloating',
    'cramps',
  ],
  ...[
    'stress',
    'anxiety',
    'depression',
    'insomnia',
    'inflammations?',
    'infections?',
    'cancer',
    'diabetes',
  ],
  ...['hangovers?', 'sore throats?', 'scratchy throats?', '(?:high )?blood (?:sugar|pressure)'],
  ...[
    'cholesterol',
    'pains?',
    'aches?',
    'allergies',
    'toxins',
    'ageing',
    'aging',
    'disease',
    'illness(?:es)?',
  ],
);
const WORKS_AGAINST = oneOf(
  ...[
    'treat',
    'cure',
    'heal',
    'reliev',
    'prevent',
    'fight',
    'combat',
    'eas',
    'sooth',
    'reduc',
    'lower',
  ],
  ...['calm', 'banish', 'beat'],
);
const WORKS_ON = oneOf(
  ...[
    'boost',
    'support',
    'strengthen',
    'improv',
    'aid',
    'help',
    'promot',
    'cleans',
    'purif',
    'protect',
  ],
  ...['regulat', 'stimulat', 'balanc', 'calm', 'sooth', 'heal', 'nourish'],
);
const ENDING = '(?:e?s|ed|ing|e|ies|y)?';
const YOUR = '(?:your |the |a |an )?';
const words = (...parts: readonly string[]): RegExp => new RegExp(`\\b${parts.join('')}\\b`, 'gi');

/**
 * Each way of claiming. What is said of leaf, cup or guest only, as "a treat" or "cured leaf", names no ailment and no
 * part of the body.
 */
const CLAIMS: readonly RegExp[] = [
  words(WORKS_AGAINST, ENDING, ' ', YOUR, AILMENT),
  words(WORKS_ON, ENDING, ' ', YOUR, BODY),
  words('(?:good|great|best|healthy|wonderful) (?:for|against) ', YOUR, oneOf(BODY, AILMENT)),
  words('(?:helps?|works?|effective|remed(?:y|ies)) (?:against|with|for) ', YOUR, AILMENT),
  words(AILMENT, ' (?:relief|remed(?:y|ies)|cure)'),
  words('(?:immunity|immune|metabolism|digestion|mood|brain)[- ](?:boost(?:s|ing|er)?|support)'),
  words('detox(?:es|ed|ing|ify(?:ing)?|ifies|ification)?'),
  words('(?:fat[- ]burn(?:s|ing|er)?|burns? (?:body )?fat|weight[- ]loss|slimming|lose weight)'),
  words('anti[- ]?(?:inflammatory|oxidants?|ageing|aging|bacterial|viral)'),
  words('healing (?:power|properties|tea|herbs?|blend)'),
  words('(?:medicinal|therapeutic|curative|health benefits?|superfood)'),
  words('(?:cures|heals) (?:everything|all|you|anything)'),
];

/**
 * The words of a text that claim an effect on health, as they are written; each once.
 * @example healthClaims('Malty. Boosts immunity, a treat in the morning.') // ['Boosts immunity']
 */
export function healthClaims(text: string): string[] {
  const found = new Set(CLAIMS.flatMap((claim) => text.match(claim) ?? []));
  // One claim may be found in two ways: the longer words hold the shorter.
  return [...found].filter(
    (claim) => ![...found].some((other) => other !== claim && other.includes(claim)),
  );
}
