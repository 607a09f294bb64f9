import { runCommand } from '../cases';
import { KINDS } from './run';
import { PredictDocument } from './schema';

runCommand('predict', PredictDocument, KINDS);
