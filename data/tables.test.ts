import { readFileSync } from 'node:fs';
import { describeTables } from './describe-tables';
import { scratchDatabase, type Scratch } from './testing/scratch';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

test('data/tables.ts is what the migrations make (npm run tables writes it)', async () => {
  expect(readFileSync('data/tables.ts', 'utf8')).toBe(await describeTables(scratch.owner));
});
