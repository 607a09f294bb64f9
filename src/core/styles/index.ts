export { STYLE_IDS, STYLES, styleOf, type Family, type Grade, type Style, type StyleId } from './styles';
export { GRADE_NAMES, GRADES } from './grades';
export { characterOf, STYLE_DEFAULT, type Character, type Multipliers } from './character';
