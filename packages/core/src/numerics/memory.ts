import { LRUCache } from 'lru-cache';

/** Results kept by what they were worked out from. */
export interface Memory<V> {
  /** The result of these contents: the one kept, or made and kept. */
  recall(content: string, make: () => V): V;
}

/** A memory of so many results; those asked for longest ago go first. */
export function memoryOf<V>(most: number): Memory<V> {
  // Null is a result too, so what is kept is wrapped.
  const kept = new LRUCache<string, { readonly value: V }>({ max: most });
  return {
    recall(content, make) {
      const known = kept.get(content);
      if (known) return known.value;
      const value = make();
      kept.set(content, { value });
      return value;
    },
  };
}

/** Results kept for as long as the thing they belong to is. */
export function memoryBeside<K extends object, V>(make: (of: K) => V): (of: K) => V {
  const kept = new WeakMap<K, { readonly value: V }>();
  return (of) => {
    const known = kept.get(of);
    if (known) return known.value;
    const value = make(of);
    kept.set(of, { value });
    return value;
  };
}

/** Names given out so far, by content. One that is forgotten gets another name: what was kept under the old one is made anew. */
const names = memoryOf<string>(1000);
let given = 0;

/**
 * A short name for what plain data says: the same for any two objects that say the same. Read once for each object, which
 * must not change after it.
 */
export const contentOf = memoryBeside((data: object) =>
  names.recall(JSON.stringify(data), () => `#${++given}`),
);
