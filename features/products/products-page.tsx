'use client';

import { useState, useTransition } from 'react';
import { readProductsCsv, type Import } from '@/core/formats';
import type { Need } from '@/core/mix';
import {
  isStocked,
  KIND_WORDS,
  PRODUCT_KINDS,
  type Product,
  type ProductKind,
  type StockedProduct,
} from '@/core/products';
import { buttonLook } from '@/ui/button-look';
import { Dialog } from '@/ui/dialog';
import { useSaid } from '@/ui/measures';
import { Menu } from '@/ui/menu';
import { useCalendar } from '../house/calendar';
import { useHouse, useMoney } from '../house/context';
import { minorPerUnit } from '@/core/units';
import { textOfFile } from '../text-of-file';
import { movesOf, saveRange } from './actions';
import { factsOf } from './facts';
import { ImportPreview } from './import-preview';
import { ProductForm } from './product-form';
import { emptyProduct } from './empty-product';
import type { StockMove } from './queries';

interface ProductsPageProps {
  initial: readonly Product[];
  revision: number;
  mayChange: boolean;
  /** What runs out before the bookings of the next days are done. */
  toBuy: readonly Need[];
}

type Said = { readonly ok: boolean; readonly words: string };

/** What the house mixes with: what each product takes and allows, what is in stock, what it costs. */
export function ProductsPage({ initial, revision, mayChange, toBuy }: ProductsPageProps) {
  const [products, setProducts] = useState(initial);
  const [base, setBase] = useState(revision);
  const [editing, edit] = useState<{ product: Product; at: number | null }>();
  const [preview, setPreview] = useState<Import>();
  const [said, say] = useState<Said>();
  const [busy, start] = useTransition();
  const { prices } = useHouse();
  const nameOf = (id: string) => products.find((product) => product.id === id)?.name ?? id;

  const save = (next: readonly Product[], words: string) =>
    new Promise<string | undefined>((resolve) =>
      start(async () => {
        const answer = await saveRange(base, { version: 2, products: next }, countsIn(products, next));
        if (answer.ok) {
          setProducts(next);
          setBase(answer.revision);
          say({ ok: true, words });
        }
        resolve(answer.ok ? undefined : answer.problem);
      }),
    );
  const takeFile = async (file: File) => {
    if (file.size > 2_000_000)
      return say({ ok: false, words: `${file.name} is larger than two megabytes: is it the right file?` });
    const read = readProductsCsv(await textOfFile(file), products, minorPerUnit(prices.currency));
    if (read.ok) setPreview(read.value);
    else say({ ok: false, words: `${file.name}: ${read.problem}` });
  };
  return (
    <>
      <header className="mb-5 flex flex-wrap items-center gap-3">
        <p className="min-w-0 flex-1 text-base text-ink-soft">
          The range that a house begins with is invented: write what your own leaflets say. Visits keep the
          products as they were when they were mixed.
        </p>
        <a href="/api/products" download className={buttonLook('plain', true)}>
          Export as table (CSV)
        </a>
        {mayChange && (
          <>
            <label
              className={`${buttonLook('plain', true)} cursor-pointer focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-leaf`}
            >
              Import a table
              <input
                type="file"
                accept=".csv,.tsv,.txt,text/csv"
                className="sr-only"
                onChange={(event) => {
                  const [file] = event.target.files ?? [];
                  event.target.value = '';
                  if (file) void takeFile(file);
                }}
              />
            </label>
            <Menu
              label="Add a product"
              trigger="Add a product"
              className={buttonLook('primary', true)}
              items={PRODUCT_KINDS.map((kind) => ({
                words: KIND_WORDS[kind][0],
                choose: () => edit({ product: emptyProduct(kind, products), at: null }),
              }))}
            />
          </>
        )}
      </header>
      {said && (
        <p
          role={said.ok ? 'status' : 'alert'}
          className={`mb-4 ${said.ok ? 'text-base text-ink-soft' : 'text-base font-semibold text-rowan'}`}
        >
          {said.words}
        </p>
      )}
      {!mayChange && <p className="mb-4 text-base text-ink-soft">Only the owner can change this.</p>}
      <ToBuy needs={toBuy} />
      <div className="grid gap-6">
        {PRODUCT_KINDS.filter((kind) => products.some((product) => product.kind === kind)).map((kind) => (
          <Shelf
            key={kind}
            kind={kind}
            products={products}
            nameOf={nameOf}
            onEdit={mayChange ? (product) => edit({ product, at: products.indexOf(product) }) : undefined}
          />
        ))}
      </div>
      <Dialog
        open={editing !== undefined}
        onOpenChange={(open) => !open && edit(undefined)}
        title={editing ? `${editing.at === null ? 'New: ' : ''}${KIND_WORDS[editing.product.kind][0]}` : ''}
        middle
      >
        {editing && (
          <ProductForm
            product={editing.product}
            fresh={editing.at === null}
            products={products}
            busy={busy}
            onSave={async (next) => {
              const problem = await save(
                editing.at === null
                  ? [...products, next]
                  : products.map((product, i) => (i === editing.at ? next : product)),
                `${next.name} saved.`,
              );
              if (problem === undefined) edit(undefined);
              return problem;
            }}
            onRemove={async () => {
              const problem = await save(
                products.filter((_, i) => i !== editing.at),
                `${editing.product.name} removed; visits that used it keep it.`,
              );
              if (problem === undefined) edit(undefined);
              return problem;
            }}
          />
        )}
      </Dialog>
      <Dialog
        open={preview !== undefined}
        onOpenChange={(open) => !open && setPreview(undefined)}
        title="What the table would change"
        wide
      >
        {preview && (
          <ImportPreview
            preview={preview}
            nameOf={nameOf}
            busy={busy}
            onTake={async () => {
              const problem = await save(
                preview.range,
                `${preview.added.length} added, ${preview.changed.length} changed.`,
              );
              if (problem === undefined) setPreview(undefined);
              return problem;
            }}
          />
        )}
      </Dialog>
    </>
  );
}

/**
 * What was counted: stock that the edit says otherwise than the page had it. What nobody touched stays as it
 * is by now.
 */
function countsIn(before: readonly Product[], after: readonly Product[]): Record<string, number> {
  const was = new Map(before.filter(isStocked).map(({ id, stock }) => [id, stock]));
  return Object.fromEntries(
    after
      .filter(isStocked)
      .flatMap(({ id, kind, stock }) => (kind === 'line' || was.get(id) === stock ? [] : [[id, stock]])),
  );
}

/** What is to be bought for the bookings of the next week. */
function ToBuy({ needs }: { needs: readonly Need[] }) {
  const said = useSaid();
  if (needs.length === 0)
    return (
      <p className="mb-5 text-base text-ink-soft">
        Nothing runs out before the bookings of the next 7 days are done.
      </p>
    );
  const amount = ({ product }: Need, grams: number) =>
    said(product.kind === 'foil' ? `${grams} sheets` : `${grams} g`);
  return (
    <section aria-label="To buy" className="card mb-5 p-4">
      <header className="flex items-center justify-between gap-3">
        <h2 className="text-lg font-bold wide">To buy for the next 7 days</h2>
        <a href="/api/to-buy" download className={buttonLook('plain', true)}>
          Export as table (CSV)
        </a>
      </header>
      <ul className="mt-1 grid gap-1">
        {needs.map((need) => (
          <li key={need.product.id} className="text-base">
            <b data-as-written>
              {need.packs} × {need.product.name}
            </b>
            : {amount(need, need.needed)} needed, {amount(need, need.product.stock)} in stock
          </li>
        ))}
      </ul>
    </section>
  );
}

function Shelf({
  kind,
  products,
  nameOf,
  onEdit,
}: {
  kind: ProductKind;
  products: readonly Product[];
  nameOf(id: string): string;
  onEdit?(product: Product): void;
}) {
  const money = useMoney();
  const said = useSaid();
  return (
    <section aria-label={KIND_WORDS[kind][1]}>
      <h2 className="mb-2 text-lg font-bold wide">{KIND_WORDS[kind][1]}</h2>
      <table className="stacks card w-full table-fixed border-separate border-spacing-0 overflow-hidden text-base">
        <colgroup>
          <col className="w-[220px]" />
          <col />
          <col className="w-[120px]" />
          <col className="w-[170px]" />
        </colgroup>
        <thead className="sr-only">
          <tr>
            <th>Name</th>
            <th>What it takes and allows</th>
            <th>In stock</th>
            <th>A pack</th>
          </tr>
        </thead>
        <tbody>
          {products
            .filter((product) => product.kind === kind)
            .map((product) => (
              <tr
                key={product.id}
                className="[&>*]:px-4 [&>*]:py-2 max-md:[&>*]:py-1 [&:not(:first-child)>*]:border-t [&:not(:first-child)>*]:border-line"
              >
                <th scope="row" className="text-left font-semibold" data-as-written>
                  {onEdit ? (
                    <button
                      type="button"
                      onClick={() => onEdit(product)}
                      className="min-h-8 text-left underline-offset-2 hover:underline"
                    >
                      {product.name}
                    </button>
                  ) : (
                    product.name
                  )}
                </th>
                <td className="text-sm">
                  <p>{said(factsOf(product, nameOf))}</p>
                  {product.note && <p className="text-ink-soft">{product.note}</p>}
                </td>
                <td className="text-right whitespace-nowrap">
                  {isStocked(product) && product.kind !== 'line' && <Stock own={product} />}
                </td>
                <td className="text-right whitespace-nowrap text-ink-soft">
                  {isStocked(product)
                    ? product.packMinor > 0 &&
                      said(
                        `${money(product.packMinor)} for ${product.pack}${product.kind === 'foil' ? '' : ' g'}`,
                      )
                    : product.priceMinor > 0 && money(product.priceMinor)}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
    </section>
  );
}

/** What there is of a product, and on asking what happened to it. */
function Stock({ own }: { own: StockedProduct }) {
  const said = useSaid();
  const calendar = useCalendar();
  const [moves, setMoves] = useState<readonly StockMove[]>();
  const unit = own.kind === 'foil' ? 'sheets' : 'g';
  const amount = (value: number) => said(`${value} ${unit}`);
  return (
    <>
      <button
        type="button"
        data-as-written
        className="min-h-8 underline-offset-2 hover:underline"
        aria-label={`${own.name}: ${amount(own.stock)} in stock, what happened to it`}
        onClick={() => void movesOf(own.id).then(setMoves)}
      >
        {amount(own.stock)}
      </button>
      <Dialog
        open={moves !== undefined}
        onOpenChange={(open) => !open && setMoves(undefined)}
        title={`${own.name}: stock`}
        middle
      >
        {moves?.length === 0 && <p className="text-base text-ink-soft">Nothing was used or counted yet.</p>}
        <ul className="grid">
          {moves?.map(({ at, what, change, person, client }, i) => (
            <li
              key={i}
              className="flex justify-between gap-4 border-t border-line py-1.5 text-base first:border-t-0"
            >
              <span>
                {calendar.dayOf(at)}, {person}:{' '}
                {what === 'counted' ? 'counted' : `used${client ? ` for ${client}` : ''}`}
              </span>
              <b>
                {change > 0 ? '+' : '−'}
                {amount(Math.abs(change))}
              </b>
            </li>
          ))}
        </ul>
      </Dialog>
    </>
  );
}
