/** What a token may be used for, with what is said of it. */
export const SCOPES = {
  'clients:read': 'read clients',
  'clients:write': 'add and change clients',
  'appointments:read': 'read appointments, and who works here',
  'appointments:write': 'book, move and cancel appointments',
  'visits:read': 'read visits: consultation, pattern, mix',
  'visits:write': 'open visits and change their documents',
  'records:read': 'read records',
  'records:write': 'write records',
} as const;
export type Scope = keyof typeof SCOPES;
export const isScope = (text: string): text is Scope => Object.hasOwn(SCOPES, text);
