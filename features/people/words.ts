/** What a session runs on, as far as it says. */
export function sayDevice(device: string): string {
  if (device === '') return 'unknown device';
  return /mobi|tablet/i.test(device) ? 'phone or tablet' : 'computer';
}

export const ROLE_WORDS = {
  owner: { name: 'Owner', may: 'everything, people and settings too' },
  colourist: { name: 'Colourist', may: 'clients and visits, merging and export' },
  assistant: { name: 'Assistant', may: 'clients and visits' },
} as const;
