import { createServer } from 'node:net';

/** A number of the command line, `--name 5`; another where it is not given. */
export const option = (name: string, usual: number): number => Number(process.argv[process.argv.indexOf(`--${name}`) + 1 || Infinity]) || usual;

/** A port on loopback that nobody has now. */
export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
