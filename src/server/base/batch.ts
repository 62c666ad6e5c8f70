import "server-only";
import type { Row } from "postgres";
import type { Ctx } from "./context";

interface Gathering {
  keys: Set<string>;
  answer: Promise<Map<string, Row[]>>;
}

/**
 * Rows of one of many. On a page, what is asked side by side for many clients before the next answer arrives travels as
 * one question; a route that writes asks for its own one at once. `read` gives the rows of all keys in their order, each
 * with its key in `of`.
 */
export async function rowsOf(
  ctx: Ctx,
  name: string,
  key: string,
  read: (keys: string[]) => PromiseLike<readonly Row[]>,
): Promise<Row[]> {
  if (!ctx.asked) return [...(await read([key]))];
  const gathering = gatheringOf(ctx.asked, `gathering ${name}`, read);
  gathering.keys.add(key);
  return (await gathering.answer).get(key) ?? [];
}

function gatheringOf(
  asked: NonNullable<Ctx["asked"]>,
  name: string,
  read: (keys: string[]) => PromiseLike<readonly Row[]>,
): Gathering {
  const open = asked.get(name) as Gathering | undefined;
  if (open) return open;
  const keys = new Set<string>();
  const answer = new Promise<void>((go) => setImmediate(go)).then(async () => {
    asked.delete(name);
    const byKey = new Map<string, Row[]>();
    for (const row of await read([...keys])) {
      const rows = byKey.get(row.of);
      if (rows) rows.push(row);
      else byKey.set(row.of, [row]);
    }
    return byKey;
  });
  const made = { keys, answer };
  asked.set(name, made);
  return made;
}
