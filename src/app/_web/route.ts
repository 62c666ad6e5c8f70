import "server-only";
import pino from "pino";
import type { z } from "zod";
import { uuid } from "@/core/units/fields";
import { fileSize } from "@/core/units/fileSize";
import { type FieldProblem, InputError } from "@/core/units/inputError";
import { readJson } from "@/core/units/readJson";
import { issueSaid } from "@/core/units/wrong";
import { keepAttempt } from "@/server/base/attempts";
import type { Actor, Ctx } from "@/server/base/context";
import { inClinic } from "@/server/base/db";
import { attemptOf, Refused } from "@/server/base/refused";
import { deviceTimeOf } from "@/server/base/tabletTime";
import { type Say, sayPlainly } from "@/words/say";
import { currentActor } from "./actor";

const log = pino({ name: "bexlo" });

/** With everything that is sent a device says its own time, so that no gate hangs on its clock. */
export const DEVICE_TIME = "x-device-time";

/** What a form may send. Traces of a load cell are larger: their route says so. */
const FORM_BYTES = 400_000;

/** PostgreSQL's codes for data it refuses: a missing record, a check, a text that is no number or id, out of range. */
const BAD_DATA = new Set([
  "23502",
  "23503",
  "23505",
  "23514",
  "22P02",
  "22P05",
  "22001",
  "22003",
  "22007",
  "22008",
  "22021",
  "22023",
  "54000",
]);

const STATUS: Record<Refused["kind"], number> = {
  "signed-out": 401,
  forbidden: 403,
  missing: 404,
  conflict: 409,
  "too-many": 429,
};

const answer = (status: number, problems: FieldProblem[]): Response =>
  Response.json({ problems }, { status });

/** Why something was refused, in one sentence. */
export const refusalOf = (error: unknown, say: Say = sayPlainly): string =>
  error instanceof Refused
    ? say(error.said)
    : error instanceof InputError
      ? say(error.problems[0]?.sentence ?? "")
      : "";

/** Turns whatever went wrong into a status and sentences; only what is truly unexpected is a 500, and it is logged. */
export function problemResponse(error: unknown, say: Say = sayPlainly): Response {
  if (error instanceof InputError)
    return answer(
      422,
      error.problems.map(({ field, sentence }) => ({ field, sentence: say(sentence) })),
    );
  if (error instanceof Refused) return answer(STATUS[error.kind], [{ field: "", sentence: say(error.said) }]);
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

/** The body as text; reading ends as soon as it is longer than allowed. */
async function readText(request: Request, mostBytes: number): Promise<string> {
  const tooLarge = new InputError("", `This is larger than ${fileSize(mostBytes)}. Send less.`);
  if (Number(request.headers.get("content-length")) > mostBytes) throw tooLarge;
  if (!request.body) return "";
  const parts: Uint8Array[] = [];
  let length = 0;
  for await (const part of request.body as unknown as AsyncIterable<Uint8Array>) {
    length += part.length;
    if (length > mostBytes) throw tooLarge;
    parts.push(part);
  }
  return Buffer.concat(parts).toString("utf8");
}

/** The body as JSON parsed by a schema; each problem keeps its field. */
export async function readBody<S extends z.ZodType>(
  request: Request,
  schema: S,
  mostBytes = FORM_BYTES,
): Promise<z.infer<S>> {
  return parsedBody(await readSent(request, mostBytes), schema);
}

const readSent = async (request: Request, mostBytes: number): Promise<unknown> =>
  readJson(await readText(request, mostBytes));

function parsedBody<S extends z.ZodType>(json: unknown, schema: S): z.infer<S> {
  const parsed = schema.safeParse(json);
  if (parsed.success) return parsed.data;
  throw new InputError(
    "",
    "Some fields need mending.",
    parsed.error.issues.map((i) => ({ field: i.path.join("."), sentence: issueSaid(i) })),
  );
}

/** The dynamic parts of an address are record ids; anything else is an address that leads nowhere. */
function mustBeRecords(params: Record<string, string>): void {
  if (!Object.values(params).every((id) => uuid.safeParse(id).success))
    throw new Refused("missing", "There is no such record in this clinic. Go back to Today.");
}

/** What somebody did on a shared device is taken from them alone, not from who signed in on it meanwhile. */
function mustBeOwn(request: Request, actor: Actor): void {
  const of = request.headers.get("x-person");
  if (of !== null && of !== actor.personId)
    throw new Refused(
      "signed-out",
      "Somebody else is signed in on this device now. This waits here until whose it is signs in again.",
    );
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
 * `params` are the dynamic parts of the address. What role, limits or a warning forbid is kept as an attempt.
 */
export function changes<S extends z.ZodType, P extends Record<string, string>>(
  schema: S,
  work: (ctx: Ctx, body: z.infer<S>, params: P) => Promise<unknown>,
  mostBytes = FORM_BYTES,
  answerOf: (result: unknown) => Response | Promise<Response> = (result) =>
    Response.json({ ok: true, result: result ?? null }),
) {
  return async (request: Request, { params }: { params: Promise<P> }): Promise<Response> => {
    let actor: Actor | null = null;
    let where = {} as P;
    let json: unknown = null;
    try {
      mustBeSameOrigin(request);
      actor = await currentActor();
      if (!actor)
        throw new Refused("signed-out", "You are signed out. Sign in again; what you typed stays here.");
      const who = actor;
      mustBeOwn(request, who);
      // an address without dynamic parts has no parameters at all
      where = (await params) ?? where;
      mustBeRecords(where);
      json = await readSent(request, mostBytes);
      const body = parsedBody(json, schema);
      const result = await inClinic(who.clinicId, (tx) =>
        work(
          { tx, actor: who, now: new Date(), deviceNow: deviceTimeOf(request.headers.get(DEVICE_TIME)) },
          body,
          where,
        ),
      );
      return await answerOf(result);
    } catch (error) {
      const deed = attemptOf(error);
      if (actor && deed !== null) {
        await keepAttempt(actor, new Date(), {
          deed,
          sentence: refusalOf(error),
          clientId: where.clientId ?? null,
          visitId: where.visitId ?? null,
          content: json,
        }).catch((e) => log.error(e));
      }
      return problemResponse(error);
    }
  };
}

/**
 * A route that takes bytes as they are: same origin, signed in; `read` bounds what is held of them, before any work begins.
 */
export function bytesIn<P extends Record<string, string>>(
  read: (body: AsyncIterable<Uint8Array>) => Promise<Buffer>,
  work: (ctx: Ctx, bytes: Buffer, params: P, query: URLSearchParams) => Promise<unknown>,
) {
  return async (request: Request, { params }: { params: Promise<P> }): Promise<Response> => {
    try {
      mustBeSameOrigin(request);
      const actor = await currentActor();
      if (!actor) throw new Refused("signed-out", "You are signed out. Sign in again.");
      mustBeOwn(request, actor);
      const where = await params;
      mustBeRecords(where);
      const body = request.body as unknown as AsyncIterable<Uint8Array> | null;
      if (!body) throw new InputError("file", "Nothing was sent.");
      const bytes = await read(body);
      const query = new URL(request.url).searchParams;
      const result = await inClinic(actor.clinicId, (tx) =>
        work({ tx, actor, now: new Date() }, bytes, where, query),
      );
      return Response.json({ ok: true, result });
    } catch (error) {
      return problemResponse(error);
    }
  };
}

/** A route that reads: signed in, work in one transaction of the clinic, and `answer` makes the response of what it finds. */
export function reads<T, P extends Record<string, string>>(
  work: (ctx: Ctx, params: P, query: URLSearchParams) => Promise<T>,
  answerOf: (found: T) => Response,
) {
  return async (request: Request, { params }: { params: Promise<P> }): Promise<Response> => {
    try {
      const actor = await currentActor();
      if (!actor) throw new Refused("signed-out", "You are signed out. Sign in again.");
      const where = (await params) ?? ({} as P);
      mustBeRecords(where);
      const query = new URL(request.url).searchParams;
      return answerOf(
        await inClinic(actor.clinicId, (tx) => work({ tx, actor, now: new Date() }, where, query)),
      );
    } catch (error) {
      return problemResponse(error);
    }
  };
}
