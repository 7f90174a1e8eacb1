import { readFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { AwsV4Signer } from 'aws4fetch';
import sharp from 'sharp';
import { EMPTY_PHOTO } from '../core/formats';
import { createClient } from './clients';
import { eraseClient } from './client-record';
import { inSalon } from './database';
import { objectStore } from './photo-store';
import {
  addPhoto,
  archivePhoto,
  changePhoto,
  listPhotos,
  photoBytes,
  removePhoto,
  type Photo,
} from './photos';
import { kindOf, MOST_BYTES, readPicture, type ReadPicture } from './picture';
import type { SignedIn } from './sessions';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';

/** Left half dark, right half light. */
const halves = (width = 120, height = 80) =>
  sharp({ create: { width, height, channels: 3, background: '#201510' } }).composite([
    {
      input: { create: { width: width / 2, height, channels: 3, background: '#f0d8a0' } },
      left: width / 2,
      top: 0,
    },
  ]);

const lightness = async (bytes: Buffer, left: number, top: number) => {
  const { data } = await sharp(bytes)
    .extract({ left, top, width: 4, height: 4 })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return data[5];
};

const ok = async (bytes: Buffer): Promise<ReadPicture> => {
  const read = await readPicture(bytes);
  if (!read.ok) throw new Error(read.problem);
  return read.value;
};

describe('reading a picture', () => {
  test.each([
    ['JPEG', () => halves().jpeg().toBuffer()],
    ['PNG', () => halves().png().toBuffer()],
    ['WebP', () => halves().webp({ quality: 90 }).toBuffer()],
  ])('%s is kept as JPEG with its own sides', async (_, make) => {
    const picture = await ok(await make());
    expect([picture.width, picture.height, kindOf(picture.full), kindOf(picture.small)]).toEqual([
      120,
      80,
      'jpeg',
      'jpeg',
    ]);
    expect(await lightness(picture.full, 20, 40)).toBeLessThan(60);
    expect(await lightness(picture.full, 100, 40)).toBeGreaterThan(180);
  });

  test('HEIC is read, 96 by 64, with its light corner where it was', async () => {
    const picture = await ok(await readFile(path.join(__dirname, 'testing/pictures/leaf.heic')));
    expect([picture.width, picture.height, kindOf(picture.full)]).toEqual([96, 64, 'jpeg']);
    expect(await lightness(picture.full, 10, 10)).toBeGreaterThan(140);
    expect(await lightness(picture.full, 80, 50)).toBeLessThan(110);
  });

  test('a picture that lies on its side is set upright, and its place and device are gone', async () => {
    const told = await halves()
      .withMetadata({ orientation: 6 })
      .withExifMerge({
        IFD0: { Make: 'Camera' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
      })
      .jpeg()
      .toBuffer();
    expect((await sharp(told).metadata()).orientation).toBe(6);
    const picture = await ok(told);
    expect([picture.width, picture.height]).toEqual([80, 120]);
    expect(await lightness(picture.full, 40, 20)).toBeLessThan(60);
    expect(await lightness(picture.full, 40, 100)).toBeGreaterThan(180);
    for (const bytes of [picture.full, picture.small]) {
      const { exif, xmp, iptc, orientation } = await sharp(bytes).metadata();
      expect([exif, xmp, iptc, orientation]).toEqual([undefined, undefined, undefined, undefined]);
      expect(bytes.includes('Camera')).toBe(false);
    }
  });

  test('a large one is made smaller, in its proportion', async () => {
    const picture = await ok(await halves(6000, 3000).jpeg().toBuffer());
    expect([picture.width, picture.height]).toEqual([2400, 1200]);
    const small = await sharp(picture.small).metadata();
    expect([small.width, small.height]).toEqual([360, 180]);
  });

  const refused = async (bytes: Buffer) => {
    const read = await readPicture(bytes);
    return read.ok ? 'read' : read.problem;
  };

  test('sixty megapixels are refused by their size, not by their bytes', async () => {
    const bytes = await halves(10_000, 6000).png({ compressionLevel: 9 }).toBuffer();
    expect(bytes.length).toBeLessThan(3_000_000);
    expect(await refused(bytes)).toMatch(/has 60 megapixels; it may have 50/);
  });

  test.each<[string, () => Promise<Buffer> | Buffer, RegExp]>([
    ['an empty file', () => Buffer.alloc(0), /is empty/],
    ['a text that is named a picture', () => Buffer.from('<html>'.repeat(40)), /no JPEG, PNG, WebP or HEIC/],
    [
      'a drawing with a script',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'),
      /no JPEG/,
    ],
    ['a cut-off JPEG', async () => (await halves(800, 600).jpeg().toBuffer()).subarray(0, 900), /broken/],
    [
      'a JPEG’s beginning and nonsense',
      () => Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(400, 7)]),
      /broken/,
    ],
    [
      'a cut-off HEIC',
      async () => (await readFile(path.join(__dirname, 'testing/pictures/leaf.heic'))).subarray(0, 300),
      /broken/,
    ],
    ['a file that is too large', () => Buffer.alloc(MOST_BYTES + 1, 1), /has 40 MB; a picture may have 40/],
  ])('%s is one sentence', async (_, make, problem) => expect(await refused(await make())).toMatch(problem));
});

describe('keeping photos', () => {
  let scratch: Scratch;
  let owner: SignedIn;
  let stranger: SignedIn;
  let clientId: string;
  let picture: ReadPicture;
  beforeAll(async () => {
    scratch = await scratchWithDemo('2026-11-25');
    owner = await signedIn('ottilie@fernhollow.example');
    stranger = await signedIn('leocadia@osieryard.example');
    clientId = await createClient(owner, {
      name: 'Photo Subject',
      phone: '',
      email: '',
      note: '',
      bornOn: null,
    });
    picture = await ok(await halves().jpeg().toBuffer());
  });
  afterAll(() => scratch.drop());
  const add = async () =>
    (await addPhoto(owner, clientId, { visitId: null, kind: 'wish', note: '', picture }))!;
  const photo = async (id: string): Promise<Photo> =>
    (await listPhotos(owner, clientId)).find((listPhoto) => listPhoto.id === id)!;

  test('the bytes come back as they were, and to nobody of another salon', async () => {
    const id = await add();
    expect((await photoBytes(owner, id, 'full'))!.equals(picture.full)).toBe(true);
    expect((await photoBytes(owner, id, 'small'))!.equals(picture.small)).toBe(true);
    expect(await photoBytes(stranger, id, 'full')).toBeUndefined();
    expect(
      await addPhoto(stranger, clientId, { visitId: null, kind: 'wish', note: '', picture }),
    ).toBeUndefined();
    expect(await removePhoto(stranger, id)).toBe(false);
    expect(await changePhoto(stranger, id, 1, { note: 'mine', document: EMPTY_PHOTO })).toEqual({
      ok: false,
      reason: 'missing',
    });
  });

  test('marks are kept; somebody who saw an older state overwrites nothing', async () => {
    const id = await add();
    const document = {
      ...EMPTY_PHOTO,
      liked: true,
      marks: [{ x: 0.4, y: 0.2, liked: false, words: 'too warm' }],
    };
    expect(await changePhoto(owner, id, 1, { note: 'From her phone', document })).toEqual({
      ok: true,
      revision: 2,
    });
    expect(await changePhoto(owner, id, 1, { note: 'late', document: EMPTY_PHOTO })).toEqual({
      ok: false,
      reason: 'stale',
    });
    expect(await photo(id)).toMatchObject({ note: 'From her phone', document, revision: 2 });
  });

  test('archived, it is kept apart and can be restored; only an archived one is deleted, with its bytes', async () => {
    const id = await add();
    expect(await archivePhoto(stranger, id, true)).toBe(false);
    expect(await removePhoto(owner, id)).toBe(false);
    expect(await archivePhoto(owner, id, true)).toBe(true);
    expect(await photo(id)).toMatchObject({ archived: true });
    expect(await archivePhoto(owner, id, false)).toBe(true);
    expect(await photo(id)).toMatchObject({ archived: false });
    expect(await archivePhoto(owner, id, true)).toBe(true);
    expect(await removePhoto(owner, id)).toBe(true);
    expect(await photoBytes(owner, id, 'full')).toBeUndefined();
    const left = await inSalon(
      owner.salonId,
      (trx) => trx('photo_bytes').where({ photo_id: id }),
      scratch.app,
    );
    expect(left).toEqual([]);
  });

  describe('in an object store', () => {
    const kept = new Map<string, Buffer>();
    const unsigned: string[] = [];
    let server: Server;
    const SECRET = 'a secret of this test';
    const settings = () => ({
      LATTICE_S3_ENDPOINT: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
      LATTICE_S3_BUCKET: 'pictures',
      LATTICE_S3_REGION: 'here',
      LATTICE_S3_KEY_ID: 'key',
      LATTICE_S3_SECRET: SECRET,
    });
    beforeAll(async () => {
      server = createServer((request, response) => {
        const parts: Buffer[] = [];
        request.on('data', (part: Buffer) => parts.push(part));
        const answer = async () => {
          // Signed anew from what arrived: the signatures agree, or the request was not ours.
          const signer = new AwsV4Signer({
            method: request.method,
            url: `http://${request.headers.host}${request.url}`,
            accessKeyId: 'key',
            secretAccessKey: SECRET,
            service: 's3',
            region: 'here',
            datetime: String(request.headers['x-amz-date']),
            headers: { 'x-amz-content-sha256': String(request.headers['x-amz-content-sha256']) },
          });
          const { headers } = await signer.sign();
          const signature = (text: string | null | undefined) => /Signature=(\w+)/.exec(text ?? '')?.[1];
          if (signature(request.headers.authorization) !== signature(headers.get('authorization')))
            unsigned.push(request.url!);
          if (request.method === 'PUT') kept.set(request.url!, Buffer.concat(parts));
          const found = kept.get(request.url!);
          if (request.method === 'DELETE') kept.delete(request.url!);
          response.writeHead(found ? 200 : 404).end(request.method === 'GET' ? found : undefined);
        };
        request.on('end', () => void answer());
      });
      await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
      Object.assign(process.env, settings());
    });
    afterAll(async () => {
      for (const name of Object.keys(settings())) delete process.env[name];
      await new Promise((closed) => server.close(closed));
    });

    test('both sizes lie there, signed, and none in the database; erasing the client takes them away', async () => {
      const other = await createClient(owner, {
        name: 'Object Subject',
        phone: '',
        email: '',
        note: '',
        bornOn: null,
      });
      const id = (await addPhoto(owner, other, { visitId: null, kind: 'hair', note: '', picture }))!;
      expect([...kept.keys()].sort()).toEqual([
        `/pictures/${owner.salonId}/${id}/full.jpg`,
        `/pictures/${owner.salonId}/${id}/small.jpg`,
      ]);
      expect((await photoBytes(owner, id, 'full'))!.equals(picture.full)).toBe(true);
      expect(await photoBytes(stranger, id, 'full')).toBeUndefined();
      expect(
        await inSalon(owner.salonId, (trx) => trx('photo_bytes').where({ photo_id: id }), scratch.app),
      ).toEqual([]);
      await eraseClient(owner, other);
      expect(kept.size).toBe(0);
      expect(unsigned).toEqual([]);
    });

    test('a photo for a client of another salon sends nothing there', async () => {
      expect(
        await addPhoto(stranger, clientId, { visitId: null, kind: 'hair', note: '', picture }),
      ).toBeUndefined();
      expect(kept.size).toBe(0);
    });

    test('a store that refuses is an error, and no photo is written', async () => {
      const before = (await listPhotos(owner, clientId)).length;
      process.env.LATTICE_S3_BUCKET = 'pictures';
      const { port } = server.address() as AddressInfo;
      process.env.LATTICE_S3_ENDPOINT = `http://127.0.0.1:${port === 1 ? 2 : 1}`;
      await expect(
        addPhoto(owner, clientId, { visitId: null, kind: 'hair', note: '', picture }),
      ).rejects.toThrow();
      Object.assign(process.env, settings());
      expect(await listPhotos(owner, clientId)).toHaveLength(before);
    });

    test.each([
      [{ LATTICE_S3_BUCKET: 'No Bucket' }, /LATTICE_S3_BUCKET must be the name of a bucket/],
      [{ LATTICE_S3_ENDPOINT: 'nowhere' }, /LATTICE_S3_ENDPOINT must be an address/],
      [{ LATTICE_S3_SECRET: '' }, /LATTICE_S3_SECRET is not set/],
    ])('%j is named', (wrong, problem) =>
      expect(() => objectStore({ ...settings(), ...wrong })).toThrow(problem),
    );
  });
});
