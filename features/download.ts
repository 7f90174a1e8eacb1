'use client';

/** Has the browser fetch a file of the server's, under the name that the server gives it. */
export function download(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  link.click();
}
