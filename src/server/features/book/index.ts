export { book, type Book } from './service';
export { bookRoutes } from './routes';
export { allLots, allTeas, allVersions, lotById, lotsOf, teaById, versionById, versionsOf, vocabularyOf } from './queries';
