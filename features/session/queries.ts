import 'server-only';
import { DEMO_PASSWORD } from '@/data/demo/people';
import { demoAccounts, type DemoAccount } from '@/data/sessions';

export type { DemoAccount };

/** Accounts to try, with their password; none once no demo data is loaded. */
export async function demoSignIns(): Promise<{ accounts: DemoAccount[]; password: string } | null> {
  const accounts = await demoAccounts();
  return accounts.length > 0 ? { accounts, password: DEMO_PASSWORD } : null;
}
