export {
  STYLE_IDS,
  STYLES,
  styleOf,
  type Family,
  type Grade,
  type Style,
  type StyleId,
} from './styles';
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
