import { AwsClient } from 'aws4fetch';
import { z } from 'zod';
import type { Transaction } from './database';

export const PHOTO_SIZES = ['full', 'small'] as const;
export type PhotoSize = (typeof PHOTO_SIZES)[number];

/** Where one picture's bytes lie. */
export interface PhotoKey {
  readonly salonId: string;
  readonly photoId: string;
  readonly size: PhotoSize;
}

/** An object store that speaks the S3 protocol. */
export interface ObjectStore {
  put(key: PhotoKey, bytes: Buffer): Promise<void>;
  get(key: PhotoKey): Promise<Buffer | undefined>;
  remove(key: PhotoKey): Promise<void>;
}

const schema = z.object({
  LATTICE_S3_ENDPOINT: z.url('must be an address such as https://objects.salon.example'),
  LATTICE_S3_BUCKET: z.string().regex(/^[a-z0-9.-]{3,63}$/, 'must be the name of a bucket'),
  LATTICE_S3_REGION: z.string().min(1).default('us-east-1'),
  LATTICE_S3_KEY_ID: z.string().min(1, 'is not set'),
  LATTICE_S3_SECRET: z.string().min(1, 'is not set'),
});

/**
 * The object store of the environment; undefined where none is configured, and photos lie in the database.
 * @throws Error that names what is wrong
 */
export function objectStore(
  environment: Record<string, string | undefined> = process.env,
): ObjectStore | undefined {
  if (!environment.LATTICE_S3_ENDPOINT) return undefined;
  const read = schema.safeParse(environment);
  if (!read.success)
    throw new Error(`${String(read.error.issues[0].path[0])} ${read.error.issues[0].message}.`);
  const {
    LATTICE_S3_ENDPOINT: endpoint,
    LATTICE_S3_BUCKET: bucket,
    LATTICE_S3_REGION: region,
    LATTICE_S3_KEY_ID: accessKeyId,
    LATTICE_S3_SECRET: secretAccessKey,
  } = read.data;
  const client = new AwsClient({ accessKeyId, secretAccessKey, region, service: 's3', retries: 2 });
  const at = ({ salonId, photoId, size }: PhotoKey) =>
    `${endpoint.replace(/\/$/, '')}/${bucket}/${salonId}/${photoId}/${size}.jpg`;
  const checked = (response: Response, what: string) => {
    if (!response.ok)
      throw new Error(`The object store did not ${what} a photo: it answered ${response.status}.`);
    return response;
  };
  return {
    put: async (key, bytes) => {
      checked(
        await client.fetch(at(key), {
          method: 'PUT',
          body: new Uint8Array(bytes),
          headers: { 'content-type': 'image/jpeg' },
        }),
        'keep',
      );
    },
    get: async (key) => {
      const response = await client.fetch(at(key));
      if (response.status === 404) return undefined;
      return Buffer.from(await checked(response, 'give').arrayBuffer());
    },
    remove: async (key) => {
      const response = await client.fetch(at(key), { method: 'DELETE' });
      if (response.status !== 404) checked(response, 'remove');
    },
  };
}

/** Bytes of a photo in the database, within a transaction. */
export const inDatabase = {
  put: (trx: Transaction, { salonId, photoId, size }: PhotoKey, bytes: Buffer) =>
    trx('photo_bytes').insert({ salon_id: salonId, photo_id: photoId, size, bytes }),
  get: async (trx: Transaction, { photoId, size }: PhotoKey): Promise<Buffer | undefined> =>
    (await trx('photo_bytes').where({ photo_id: photoId, size }).select('bytes').first())?.bytes,
};
