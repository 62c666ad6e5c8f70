import "server-only";
import pino from "pino";
import type { z } from "zod";
import { uuid } from "@/core/units/fields";
import { type FieldProblem, InputError } from "@/core/units/inputError";
import type { Ctx } from "@/server/context";
import { inClinic } from "@/server/db";
import { Refused } from "@/server/refused";
import { currentActor } from "./actor";

const log = pino({ name: "bexlo" });

const MOST_BYTES = 6_000_000;
const TOO_LARGE = "This is larger than 6 MB. Send less.";

/** PostgreSQL's codes for data it refuses: a missing record, a check, a text that is no number or id, out of range. */
const BAD_DATA = new Set(["23503", "23514", "22P02", "22003", "22008"]);

const STATUS: Record<Refused["kind"], number> = {
  "signed-out": 401,
  forbidden: 403,
  missing: 404,
  conflict: 409,
  "too-many": 429,
};

const answer = (status: number, problems: FieldProblem[]): Response =>
  Response.json({ problems }, { status });

/** Turns whatever went wrong into a status and sentences; only what is truly unexpected is a 500, and it is logged. */
export function problemResponse(error: unknown): Response {
  if (error instanceof InputError) return answer(422, [...error.problems]);
  if (error instanceof Refused) return answer(STATUS[error.kind], [{ field: "", sentence: error.message }]);
  const code = (error as { code?: string } | null)?.code;
  if (code && BAD_DATA.has(code))
    return answer(422, [
      {
        field: "",
        sentence: "This names a record that is not there, or a value the clinic's records refuse.",
      },
    ]);
  log.error(error);
  return answer(500, [{ field: "", sentence: "Bexlo could not do this. Nothing was written. Try again." }]);
}

/** The body as JSON parsed by a schema; each problem keeps its field. */
export async function readBody<S extends z.ZodType>(request: Request, schema: S): Promise<z.infer<S>> {
  if (Number(request.headers.get("content-length")) > MOST_BYTES) throw new InputError("", TOO_LARGE);
  const text = await request.text();
  if (text.length > MOST_BYTES) throw new InputError("", TOO_LARGE);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new InputError("", "This request is not JSON.");
  }
  const parsed = schema.safeParse(json);
  if (parsed.success) return parsed.data;
  throw new InputError(
    "",
    "Some fields need mending.",
    parsed.error.issues.map((i) => ({ field: i.path.join("."), sentence: i.message })),
  );
}

/** The dynamic parts of an address are record ids; anything else is an address that leads nowhere. */
function mustBeRecords(params: Record<string, string>): void {
  if (!Object.values(params).every((id) => uuid.safeParse(id).success))
    throw new Refused("missing", "There is no such record in this clinic. Go back to Today.");
}

/** Only pages of our own may change anything: the browser says where a request comes from. */
export function mustBeSameOrigin(request: Request): void {
  const site = request.headers.get("sec-fetch-site");
  const origin = request.headers.get("origin");
  const host = request.headers.get("host");
  const isOurs = site
    ? site === "same-origin"
    : origin !== null && URL.canParse(origin) && new URL(origin).host === host;
  if (!isOurs) throw new Refused("forbidden", "This request did not come from Bexlo's own pages.");
}

/**
 * A route that changes something: same origin, signed in, body by schema, work in one transaction of the clinic.
 * `params` are the dynamic parts of the address.
 */
export function changes<S extends z.ZodType, P extends Record<string, string>>(
  schema: S,
  work: (ctx: Ctx, body: z.infer<S>, params: P) => Promise<unknown>,
) {
  return async (request: Request, { params }: { params: Promise<P> }): Promise<Response> => {
    try {
      mustBeSameOrigin(request);
      const actor = await currentActor();
      if (!actor)
        throw new Refused("signed-out", "You are signed out. Sign in again; what you typed stays here.");
      const body = await readBody(request, schema);
      // an address without dynamic parts has no parameters at all
      const where = (await params) ?? ({} as P);
      mustBeRecords(where);
      const result = await inClinic(actor.clinicId, (tx) =>
        work({ tx, actor, now: new Date() }, body, where),
      );
      return Response.json({ ok: true, result: result ?? null });
    } catch (error) {
      return problemResponse(error);
    }
  };
}
