/** Where a scale is reached, and what the house calls it. */
export interface ScalePlace {
  readonly name: string;
  readonly host: string;
  readonly port: number;
}

const PLACE = /^(?:([^=,]{1,40})=)?([a-z0-9.-]+):(\d{1,5})$/i;

/**
 * Reads places of scales from the environment: `host:port`, or several with names, `Mixing bench=host:port,
 * Back bar=host:port`.
 * @throws Error with a sentence for what is no place, and for a name that stands there twice
 */
export function placesIn(variable: string, text = process.env[variable]): ScalePlace[] {
  const places = (text ?? '')
    .split(',')
    .map((own) => own.trim())
    .filter(Boolean)
    .map((own): ScalePlace => {
      const read = PLACE.exec(own);
      if (!read || Number(read[3]) > 65_535)
        throw new Error(
          `${variable} must be host:port, such as 127.0.0.1:4701, or several as name=host:port with commas between; “${own}” is none.`,
        );
      return { name: (read[1] ?? 'Scale').trim(), host: read[2], port: Number(read[3]) };
    });
  const twice = places.find(({ name }, i) => places.findIndex((place) => place.name === name) !== i);
  if (twice) throw new Error(`${variable} names two scales “${twice.name}”.`);
  return places;
}
