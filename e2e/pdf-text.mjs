// Prints { pages, text } of the PDF on standard input, as JSON. A process of its own: its reader is loaded as
// a module.
import { extractText, getDocumentProxy } from 'unpdf';

const parts = [];
for await (const part of process.stdin) parts.push(part);
const { totalPages, text } = await extractText(await getDocumentProxy(new Uint8Array(Buffer.concat(parts))), {
  mergePages: true,
});
process.stdout.write(JSON.stringify({ pages: totalPages, text }));
