// Preloaded into a server by bench/bar.mjs: SIGUSR2 sets its clock an hour on, as after an hour of sleep.
const real = Date.now;
let ahead = 0;
Date.now = () => real() + ahead;
process.on('SIGUSR2', () => {
  ahead += 3_600_000;
});
