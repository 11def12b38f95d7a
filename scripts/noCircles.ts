interface Log {
  code?: string;
  message: string;
}

/** A build fails on modules of our own that import each other in a circle. */
export const NO_CIRCLES = {
  checks: { circularDependency: true },
  onLog<Level>(level: Level, log: Log, handle: (level: Level, log: Log) => void): void {
    const theirs = log.message.includes('node_modules');
    if (log.code === 'CIRCULAR_DEPENDENCY' && !theirs) throw new Error(log.message);
    if (log.code !== 'CIRCULAR_DEPENDENCY') handle(level, log);
  },
};
