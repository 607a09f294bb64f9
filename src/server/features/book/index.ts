export { photoBody } from './photo';
export { bookRoutes } from './routes';
export { allLots, allTeas, allVersions, lotById, lotsOf, teaById, versionById, versionsOf, vocabularyOf } from './queries';
