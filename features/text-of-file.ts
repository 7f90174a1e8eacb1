'use client';

/** A file's text: UTF-8, and where it is not, the older code of western spreadsheets. */
export async function textOfFile(file: File): Promise<string> {
  const bytes = await file.arrayBuffer();
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
