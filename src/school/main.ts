import { runCommand } from '../cases';
import { KINDS } from './answers';
import { SchoolDocument } from './schema';

runCommand('school', SchoolDocument, KINDS);
