import { PageTab } from '../session/page-link';

/** The pages of the house: settings for everybody to see, people, tokens and trail for its owner. */
export function HouseTabs({ owner }: { owner: boolean }) {
  return (
    <nav aria-label="House" className="mb-6 flex gap-1 overflow-x-auto border-b border-line">
      <PageTab href="/house">Settings</PageTab>
      <PageTab href="/house/products">Products</PageTab>
      <PageTab href="/house/learnt">Learnt</PageTab>
      {owner && <PageTab href="/house/people">People</PageTab>}
      {owner && <PageTab href="/house/tokens">Tokens</PageTab>}
      {owner && <PageTab href="/house/trail">Trail</PageTab>}
    </nav>
  );
}
