export { book, type Book } from './service';
export { bookRoutes } from './routes';
export { teaById, versionById } from './queries';
