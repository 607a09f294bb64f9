export { ColoursPage } from './Colours';
export { FitPage } from './Page';
