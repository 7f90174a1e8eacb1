/** A number of the command line, `--name 5`; another where it is not given. */
export const option = (name: string, usual: number): number =>
  Number(process.argv[process.argv.indexOf(`--${name}`) + 1 || Infinity]) || usual;
