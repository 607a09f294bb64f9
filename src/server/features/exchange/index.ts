export { exchangeSchema } from './fromJson';
export { exchangeRoutes } from './routes';
