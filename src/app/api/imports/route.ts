import { z } from "zod";
import { currentActor } from "@/app/_web/actor";
import { mustBeSameOrigin, problemResponse } from "@/app/_web/route";
import { uuid } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import { inClinic } from "@/server/base/db";
import { Refused } from "@/server/base/refused";
import { readIn } from "@/server/exchange/imports";
import { IMPORT_KINDS } from "@/server/exchange/plansOf";

const query = z.object({
  id: uuid,
  kind: z.enum(IMPORT_KINDS, { error: "Say what kind of file this is." }),
  name: z
    .string()
    .trim()
    .min(1, { error: "This file has no name." })
    .max(200, { error: "The file's name is longer than 200 letters." }),
});

/** A file as it is: kept as a draft while it is read. What it is stands in the address. */
export async function POST(request: Request): Promise<Response> {
  try {
    mustBeSameOrigin(request);
    const actor = await currentActor();
    if (!actor) throw new Refused("signed-out", "You are signed out. Sign in again.");
    const asked = query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!asked.success)
      throw new InputError(
        "",
        "Some fields need mending.",
        asked.error.issues.map((i) => ({ field: i.path.join("."), sentence: i.message })),
      );
    const { id, kind, name } = asked.data;
    if (/[\0\uD800-\uDFFF]/u.test(name))
      throw new InputError("name", "This file's name has characters that cannot be kept.");
    const body = request.body as unknown as AsyncIterable<Uint8Array> | null;
    if (!body) throw new InputError("file", "This file is empty.");
    await inClinic(actor.clinicId, (tx) =>
      readIn({ tx, actor, now: new Date() }, { id, kind, fileName: name }, body),
    );
    return Response.json({ ok: true, result: { id } });
  } catch (error) {
    return problemResponse(error);
  }
}
