const MEMORY = {
  SIGABRT: 'ended because its memory was used up',
  SIGKILL: 'was ended by the system, as happens when the machine’s memory is short',
};
/** How a program ended, in words, from its exit code or signal: an owner then looks at the machine's memory first. */
export const howItEnded = (how) =>
  MEMORY[how] ?? (how === 0 || how === undefined ? 'ended' : `ended with ${how}`);
