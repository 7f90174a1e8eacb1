'use client';

/** Has the browser fetch a file of the server's, under the name that the server gives it. */
export function download(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  link.click();
}

/** Hands a text over as a file. */
export function downloadText(name: string, text: string, type: string): void {
  downloadBlob(name, new Blob([text], { type }));
}

/** Hands what was made here over as a file. */
export function downloadBlob(name: string, blob: Blob): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // Freed once the browser has taken it.
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
