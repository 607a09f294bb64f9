// The first import of the page: it sends the first requests before anything else is read.
import { requestEarly } from './earlyRequests';

requestEarly();
