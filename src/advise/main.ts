import { runCommand } from '../cases';
import { KINDS } from './answers';
import { AdviseDocument } from './schema';

runCommand('advise', AdviseDocument, KINDS);
