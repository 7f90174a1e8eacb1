import {
  productsOf,
  type DepositLine,
  type Developer,
  type HouseRecipe,
  type Lightener,
  type Product,
  type RecipeUse,
  type ShadeProduct,
} from './product';

/** Finds products: those of the visit first, as they were, then those of the house. */
export class Shelf {
  private readonly own: ReadonlyMap<string, Product>;
  /** All that can be chosen: the house's, with the visit's in place of them. */
  readonly all: readonly Product[];

  constructor(visit: { readonly products: readonly Product[] }, range: readonly Product[]) {
    const kept = new Map(visit.products.map((product) => [product.id, product]));
    this.all = [
      ...range.map((product) => kept.get(product.id) ?? product),
      ...visit.products.filter(({ id }) => !range.some((product) => product.id === id)),
    ];
    this.own = new Map(this.all.map((product) => [product.id, product]));
  }

  find(id: string): Product | undefined {
    return this.own.get(id);
  }

  lightener(id: string): Lightener | undefined {
    const own = this.own.get(id);
    return own?.kind === 'lightener' || own?.kind === 'high-lift' ? own : undefined;
  }

  line(id: string): DepositLine | undefined {
    const own = this.own.get(id);
    return own?.kind === 'line' ? own : undefined;
  }

  shade(id: string): ShadeProduct | undefined {
    const own = this.own.get(id);
    return own?.kind === 'shade' ? own : undefined;
  }

  shadesOf(line: string): ShadeProduct[] {
    return productsOf(this.all, 'shade').filter((product) => product.line === line);
  }

  get lighteners(): Lightener[] {
    return productsOf(this.all, 'lightener', 'high-lift');
  }

  get lines(): DepositLine[] {
    return productsOf(this.all, 'line');
  }

  /**
   * Line that roots, toners and spots are usually coloured with: the first that only deposits and has shades.
   */
  get depositLine(): DepositLine | undefined {
    return this.lines.find(({ id, lifts }) => lifts === null && this.shadesOf(id).length > 0);
  }

  /** Recipes of the house, those of one use or all. */
  recipes(use?: RecipeUse): HouseRecipe[] {
    return productsOf(this.all, 'recipe').filter((product) => use === undefined || product.use === use);
  }

  /** Developers, weakest first. */
  get developers(): Developer[] {
    return productsOf(this.all, 'developer').sort((a, b) => a.volumes - b.volumes);
  }
}
