export { calendarRoutes } from './routes';
