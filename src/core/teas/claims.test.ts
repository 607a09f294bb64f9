import { healthClaims } from '.';

test.each([
  ['Treats colds and coughs', 'Treats colds'],
  ['boosts your immune system', 'boosts your immune system'],
  ['Our detox blend', 'detox'],
  ['Detoxifying and bright', 'Detoxifying'],
  ['relieves stress', 'relieves stress'],
  ['Eases a headache', 'Eases a headache'],
  ['lowers blood pressure', 'lowers blood pressure'],
  ['supports digestion after a meal', 'supports digestion'],
  ['Good for the heart', 'Good for the heart'],
  ['a remedy for insomnia', 'remedy for insomnia'],
  ['helps against a sore throat', 'helps against a sore throat'],
  ['stress relief in a cup', 'stress relief'],
  ['mood-boosting', 'mood-boosting'],
  ['Fat burning since morning', 'Fat burning'],
  ['rich in antioxidants', 'antioxidants'],
  ['anti-inflammatory flowers', 'anti-inflammatory'],
  ['Known for its health benefits', 'health benefits'],
  ['improves sleep', 'improves sleep'],
  ['soothes the stomach', 'soothes the stomach'],
  ['purifies the body', 'purifies the body'],
])('“%s” claims an effect on health', (text, words) => expect(healthClaims(text)).toEqual([words]));

test.each([
  'A treat for guests',
  'Treat the leaf gently',
  'Heat-treated leaf, treated as broken',
  'Cured in the pan, pan-cured leaf',
  'Boosts the aroma, boosts sweetness',
  'Cleanse the pot with hot water',
  'A lid prevents heat loss',
  'Good for two cups, good for the pot',
  'Good against the bitterness of long steeps',
  'Helps the leaf open',
  'A remedy for a thin cup: more leaf',
  'Supports the basket',
  'A calm, soothing cup for a cold evening',
  'Relief on the tin: two herons',
  'Full body, strong body and a long finish',
  'Balances bitterness and sweetness',
  'A heart of jasmine, the mind wanders',
  'Fights its way through milk',
  'Improves with a warmed pot',
  'Healthy leaf, evenly rolled',
  'Ease the lid on; reduces the bite',
  'Do not drink with medicine: ask a doctor',
  'Contains caffeine: not for children or in pregnancy',
])('“%s” claims none', (text) => expect(healthClaims(text)).toEqual([]));

test('several claims are all named, also those of one kind, each once', () =>
  expect(
    healthClaims('Detox! Boosts immunity, Boosts immunity, supports sleep and eases stress.'),
  ).toEqual(['eases stress', 'Boosts immunity', 'supports sleep', 'Detox']));
