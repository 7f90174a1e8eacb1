import { keysOf } from '../../units';
/** How many answers of one part are kept: undo goes to and fro between a few. */
const MOST_KEPT = 4;

/**
 * A function that remembers its last answers by its inputs, each taken as the same while it is the same
 * object. It must be pure.
 */
export function remembering<In extends object, Out>(compute: (input: In) => Out): (input: In) => Out {
  const kept: { readonly input: In; readonly output: Out }[] = [];
  return (input) => {
    const keys = keysOf(input);
    const found = kept.findIndex((own) => keys.every((key) => Object.is(own.input[key], input[key])));
    if (found >= 0) {
      const [own] = kept.splice(found, 1);
      kept.unshift(own);
      return own.output;
    }
    const output = compute(input);
    kept.unshift({ input, output });
    kept.length = Math.min(kept.length, MOST_KEPT);
    return output;
  };
}
