import { runCommand } from '../cases';
import { KINDS } from './answers';
import { PlanDocument } from './schema';

runCommand('plan', PlanDocument, KINDS);
