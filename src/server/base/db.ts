import "server-only";
import postgres from "postgres";

export type Tx = postgres.TransactionSql<{ date: string; numeric: number; int8: number }>;
type Db = postgres.Sql<{ date: string; numeric: number; int8: number }>;

// one pool across reloads of the development server
const shared = globalThis as typeof globalThis & { bexloSql?: Db };

/** Dates stay ISO strings and numerics become numbers: nothing here is money or larger than a double. */
const types = {
  date: { to: 1082, from: [1082], serialize: (x: string) => x, parse: (x: string) => x },
  numeric: { to: 1700, from: [1700], serialize: String, parse: Number },
  int8: { to: 20, from: [20], serialize: String, parse: Number },
};

export function db(): Db {
  if (!shared.bexloSql) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error("DATABASE_URL is not set; start Bexlo by npm run demo or npm run dev.");
    shared.bexloSql = postgres(url, { max: 8, idle_timeout: 60, onnotice: () => {}, types });
  }
  return shared.bexloSql;
}

/** One transaction in which only this clinic's rows can be seen and written (row-level security). */
export async function inClinic<T>(clinicId: string, work: (tx: Tx) => Promise<T>): Promise<T> {
  return (await db().begin(async (tx) => {
    await tx`select set_config('app.clinic', ${clinicId}, true)`;
    return work(tx);
  })) as T;
}
