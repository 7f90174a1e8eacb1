import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { madeBust } from '../core/bust/made';
import { packed } from '../core/bust/packed';

/**
 * Writes the bust that hair hangs on, as its shape says: core/bust/model.ts. Run it after a change of the
 * shape.
 */
const file = path.join(import.meta.dirname, '..', 'core', 'bust', 'model.ts');
const text = packed(madeBust());
writeFileSync(
  file,
  `/** Written by \`npm run bust\` from shape.ts. */\nexport const MODEL =\n  '${text}';\n`,
);
console.log(`core/bust/model.ts: ${Math.round(text.length / 1024)} KB`);
