import { startOutbox } from './outbox-server';

/** `tsx stands/outbox.ts PORT FILE`: the simulated outbox, until it is stopped. */
async function main(): Promise<void> {
  const [port, file] = process.argv.slice(2);
  if (!/^\d+$/.test(port ?? '') || Number(port) < 1 || Number(port) > 65_535)
    throw new Error('A port is needed, and a file if messages are to be kept.');
  const stand = await startOutbox(Number(port), file);
  const stop = () => void stand.close().then(() => process.exit(0));
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

main().catch((error: Error) => {
  console.error(`The simulated outbox could not be started: ${error.message}`);
  process.exitCode = 1;
});
