export { batchInVessel, brewInVessel, inVessel, inVesselWords } from './inUse';
export { allVessels, vesselById, vesselsAt } from './repository';
export { vesselRoutes } from './routes';
