export { lotRecord, teaRecord, type TeaRecord } from './records';
export { teaRoutes } from './routes';
export {
  allLots,
  allTeas,
  allVersions,
  lotById,
  lotsOf,
  requireTea,
  teaById,
  versionById,
  versionsOf,
  vocabularyOf,
} from './repository';
export { recipesAsBrewed } from './asBrewed';
