import { page } from './lessonParts';

export const AlikeLesson = page(
  [
    'In a fair tasting the cups differ in one thing.',
    'If a second thing differs, nobody can say which of the two they tasted.',
  ],
  ['Keep the leaf, the water, the vessel, the person who pours and the heat in the mouth alike.'],
);
export const AskFirstLesson = page(
  [
    'A taster who hears the answer first believes the answer.',
    'Ask, wait until everybody has submitted a sheet, then reveal.',
  ],
  [
    'Lead “Four cups, four times” with at least two tasters.',
    'The trainer’s sheet has the question and what to expect.',
  ],
);
export const SilenceLesson = page(
  [
    'Cups carry codes, not names.',
    'Nobody speaks or shows what they think until all sheets are submitted.',
  ],
  [
    'Lead a triangle with at least two tasters: two cups are the same tea, one cup is not.',
    'With few tasters the result is often chance, and the page says so.',
  ],
);
export const TasteLesson = page(
  [
    'Every taster has habits: one marks everything bitter, another marks everything mild.',
    'Know your own habits.',
  ],
  [
    'In a calibration every cup is in two bowls.',
    'See how far your own two scores are apart, and how far you are from the others.',
  ],
);
export const EnoughLesson = page(
  [
    'A level is the lowest skill that the last answers at level 3 can mean.',
    'From 80, with 20 answers on 3 days, there is enough evidence to look closer.',
  ],
  [
    'A figure alone is not enough. Brew and taste with the person, and watch how they work.',
    'Then sign, with a note of what you saw. A sign-off ends after a year.',
  ],
);
