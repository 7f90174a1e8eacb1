import type { Metadata } from 'next';
import { loadHouse } from '@/features/house/queries';
import { loadTokens } from '@/features/tokens/queries';
import { TokensPage } from '@/features/tokens/tokens-page';

export const metadata: Metadata = { title: 'Tokens' };

export default async function Page() {
  const [tokens, { document: house }] = await Promise.all([loadTokens(), loadHouse()]);
  return <TokensPage {...tokens} timeZone={house.timeZone} />;
}
