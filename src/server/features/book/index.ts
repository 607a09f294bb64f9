export { book, type Book } from './service';
export { bookRoutes } from './routes';
export { allTeas, lotById, lotsOf, teaById, versionById, versionsOf } from './queries';
