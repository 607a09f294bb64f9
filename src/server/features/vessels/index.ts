export { allVessels, vesselById, vesselsAt } from './repository';
export { vesselRoutes } from './routes';
