import { db } from "@/server/base/db";

export const dynamic = "force-dynamic";

/** Says whether the app and its database are up. */
export async function GET(): Promise<Response> {
  try {
    await db()`select 1`;
    return Response.json({ ok: true });
  } catch {
    return Response.json({ ok: false, sentence: "The database does not answer." }, { status: 503 });
  }
}
