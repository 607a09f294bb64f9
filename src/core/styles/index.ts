export { STYLE_IDS, STYLES, styleOf, type StyleId } from './styles';
export { type Family, type Grade, type Style } from './style';
export { GRADE_NAMES, GRADES } from './grades';
export {
  characterOf,
  characterOfTea,
  STYLE_DEFAULT,
  type Character,
  type KnownTea,
  type Multipliers,
  type Swatches,
} from './character';
