import { setTimeout as sleep } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import { PROBE_STORIES, PROBE_STORY_NAMES, simulatedReading } from '../src/core/cold/index';

const { values } = parseArgs({
  options: {
    to: { type: 'string' },
    key: { type: 'string' },
    story: { type: 'string', default: 'normal' },
    /** Seconds from one reading to the next. */
    every: { type: 'string', default: '900' },
    /** So many readings, then it ends; 0: until it is stopped. */
    count: { type: 'string', default: '0' },
    /** Story minutes that pass between two readings; as long as it waits unless said. */
    minutes: { type: 'string' },
  },
});
const story = PROBE_STORY_NAMES.find((name) => name === values.story);
if (!values.to || !values.key || !story) {
  console.error(
    'npm run probe -- --to <address of the house> --key <key of the probe> [--story ...]',
  );
  for (const name of PROBE_STORY_NAMES) console.error(`  ${name}: ${PROBE_STORIES[name]}`);
  process.exit(1);
}
const every = Number(values.every);
const count = Number(values.count);
const minutes = values.minutes === undefined ? every / 60 : Number(values.minutes);
if (!(every > 0) || !(count >= 0) || !(minutes > 0)) {
  console.error('--every and --minutes are more than 0, --count is not less than 0.');
  process.exit(1);
}
for (let n = 0; count === 0 || n < count; n++) {
  const celsius = simulatedReading(story, n * minutes);
  if (celsius === null) console.log('(silent)');
  else {
    const answer = await fetch(new URL('/api/probe-readings', values.to), {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${values.key}` },
      body: JSON.stringify({ celsius }),
    });
    console.log(`${celsius.toFixed(1)} °C: ${answer.status} ${await answer.text()}`);
    if (answer.status === 401) process.exit(1);
  }
  if (count === 0 || n + 1 < count) await sleep(every * 1000);
}
