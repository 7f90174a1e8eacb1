import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { MIGRATION_NAMES } from './migrate';

/**
 * Migrations that have landed, as they landed: a database that has run one is not run again, so a change belongs
 * into a migration of its own.
 */
const LANDED: Readonly<Record<string, string>> = {
  '0001-first': '0b5cca49ea147b96',
  '0002-house': 'da506236bfaf9521',
  '0003-search': '0abf4720b50d190d',
  '0004-people': 'efe920eaf072c821',
  '0005-clients': '0dcf1c9b4982687a',
  '0006-find': 'b3e68f638358341a',
  '0007-mix': 'c74748a0282d243b',
  '0008-service': '9aa1f2ca7106ed44',
  '0009-record': '01a6953e6d24f4b9',
  '0010-diary': 'b52647a2f6461d9a',
  '0011-learn': '8a291484c8b0f5a9',
  '0012-remind': '445f54c512da8f11',
  '0013-forget': '83c908ecdafc72f8',
  '0014-stock': '1d79762e86b085d3',
  '0015-harden': 'e3a8c90e1bf2960a',
  '0016-grow': '4f3c774afe1d4b7e',
  '0017-reach': 'ccef60b9c41483bf',
  '0018-client-page': '16edd4df2785d692',
  protect: 'c84393106059d4cf',
};

const checksum = (name: string) =>
  createHash('sha256')
    .update(readFileSync(`data/migrations/${name}.ts`))
    .digest('hex')
    .slice(0, 16);

test.each(Object.entries(LANDED))('%s is as it landed', (name, landed) => {
  expect(checksum(name)).toBe(landed);
});

/** What several migrations call: as old as they are. */
const SHARED = 'protect';

test('every file is a migration or what they share, and what landed comes first', () => {
  const files = readdirSync('data/migrations').map((file) => file.replace(/\.ts$/, ''));
  expect(files.sort()).toEqual([...MIGRATION_NAMES, SHARED].sort());
  const landed = Object.keys(LANDED).filter((name) => name !== SHARED);
  expect(MIGRATION_NAMES.slice(0, landed.length)).toEqual(landed);
});
