import type { Metadata } from 'next';
import { HouseProvider } from '@/features/house/context';
import { loadHouse } from '@/features/house/queries';
import { ProductsPage } from '@/features/products/products-page';
import { loadProducts } from '@/features/products/queries';

export const metadata: Metadata = { title: 'Products' };

export default async function Products() {
  const [{ document, revision, mayChange, toBuy }, { document: house }] = await Promise.all([
    loadProducts(),
    loadHouse(),
  ]);
  return (
    <HouseProvider house={house}>
      <ProductsPage initial={document.products} revision={revision} mayChange={mayChange} toBuy={toBuy} />
    </HouseProvider>
  );
}
