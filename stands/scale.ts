import { startScale } from './scale-server';

/** `tsx stands/scale.ts PORT CONTROL-PORT`: the simulated bench scale, until it is stopped. */
async function main(): Promise<void> {
  const [port, controlPort] = process.argv.slice(2).map(Number);
  if (![port, controlPort].every((value) => Number.isInteger(value) && value > 0 && value < 65_536))
    throw new Error('Two ports are needed: one to read the scale, one to handle it.');
  const stand = await startScale(port, controlPort);
  const stop = () => void stand.close().then(() => process.exit(0));
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

main().catch((error: Error) => {
  console.error(`The simulated scale could not be started: ${error.message}`);
  process.exitCode = 1;
});
