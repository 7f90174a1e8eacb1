import type { Metadata } from 'next';
import { loadTokens } from '@/features/tokens/queries';
import { TokensPage } from '@/features/tokens/tokens-page';

export const metadata: Metadata = { title: 'Tokens' };

export default async function Page() {
  const tokens = await loadTokens();
  return <TokensPage {...tokens} />;
}
