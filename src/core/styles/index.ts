export { STYLE_IDS, STYLES, styleOf, type Family, type Grade, type Style, type StyleId } from './styles';
