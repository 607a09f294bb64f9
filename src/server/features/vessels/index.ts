export { shelfRoutes } from './routes';
export { allVessels, vesselById, vesselsAt } from './vessels';
export { allSpoons, spoonsById } from './spoons';
export { allKettles } from './kettles';
