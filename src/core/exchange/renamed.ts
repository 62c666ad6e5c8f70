/**
 * A file's content with every one of the given ids under its new name, wherever it stands: in columns, inside plans and
 * logs, and as a key. Text that is no such id stays as it is.
 */
export function renamed<T>(content: T, names: ReadonlyMap<string, string>): T {
  const walk = (x: unknown): unknown => {
    if (typeof x === "string") return names.get(x) ?? x;
    if (Array.isArray(x)) return x.map(walk);
    if (x === null || typeof x !== "object") return x;
    return Object.fromEntries(Object.entries(x).map(([key, value]) => [names.get(key) ?? key, walk(value)]));
  };
  return walk(content) as T;
}

const UUID = /^[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i;

/** All ids that a content holds, in columns whose name says so and in the lists they stand in. */
export function idsIn(content: unknown): Set<string> {
  const found = new Set<string>();
  const walk = (x: unknown): void => {
    if (typeof x === "string") {
      if (UUID.test(x)) found.add(x);
    } else if (Array.isArray(x)) x.forEach(walk);
    else if (x !== null && typeof x === "object")
      for (const [key, value] of Object.entries(x)) {
        if (UUID.test(key)) found.add(key);
        walk(value);
      }
  };
  walk(content);
  return found;
}
