import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { formatFiles } from './format-files';

const root = path.join(import.meta.dirname, '..');
for (const [name, text] of Object.entries(formatFiles())) {
  const file = path.join(root, name);
  await mkdir(path.dirname(file), { recursive: true });
  await writeFile(file, text);
  console.log(name);
}
