// npm run soak -- live|crash|offline|cluster [...]: long runs under load, printing JSON. Never part of the tests.
const [what = '', ...rest] = process.argv.slice(2);
process.env.LIMNOS_SAY = 'stderr';
if (!['live', 'crash', 'offline', 'cluster'].includes(what)) {
  process.stderr.write(
    'npm run soak -- live [seconds] [clients] [writes a second] [processes] | crash [minutes] | offline [brews] | cluster [minutes] [seed]\n',
  );
  process.exit(2);
}
process.argv.splice(2, process.argv.length, ...rest);
await import(`./soak/${what}.mjs`);
