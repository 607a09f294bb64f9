import { agentName } from './devices';

test.each([
  ['Mozilla/5.0 (iPad; CPU OS 18_2 like Mac OS X) Version/18.2 Safari/604.1', 'Safari on iPad'],
  ['Mozilla/5.0 (Linux; Android 15) Chrome/150.0 Mobile Safari/537.36', 'Chrome on Android'],
  ['Mozilla/5.0 (Windows NT 10.0; Win64) Chrome/150.0 Safari/537.36 Edg/150.0', 'Edge on Windows'],
  ['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox on Linux'],
  ['curl/8', ''],
  [undefined, ''],
])('%s', (header, words) => expect(agentName(header)).toBe(words));
