import "server-only";
import { headers } from "next/headers";
import { cache } from "react";
import type { z } from "zod";
import { keepAttempt } from "@/server/base/attempts";
import type { Ctx } from "@/server/base/context";
import { attemptOf, Refused } from "@/server/base/refused";
import { deviceTimeOf } from "@/server/base/tabletTime";
import type { ClientEpisode } from "@/server/client/clients";
import { behindLink, type OpenLink, openLink } from "@/server/links/open";
import { DEVICE_TIME, mustBeSameOrigin, problemResponse, readBody } from "./route";

/** Where a request comes from, as far as it says so; only used to slow those who guess. */
const whence = (h: Headers): string => h.get("x-forwarded-for")?.split(",")[0]?.trim() ?? "somewhere";

/**
 * A route behind a link: same origin, the link's signature and date, body by schema, work in one transaction of the
 * link's clinic. `work` gets the one client and the one thing that the link opens.
 */
export function linkChanges<S extends z.ZodType>(
  purpose: OpenLink["purpose"],
  schema: S,
  work: (
    ctx: Ctx,
    client: ClientEpisode,
    link: OpenLink,
    body: z.infer<S>,
    params: Record<string, string>,
  ) => Promise<unknown>,
) {
  return async (
    request: Request,
    { params }: { params: Promise<{ token: string } & Record<string, string>> },
  ): Promise<Response> => {
    let opened: Awaited<ReturnType<typeof openLink>> | null = null;
    let body: unknown = null;
    try {
      mustBeSameOrigin(request);
      const now = new Date();
      const where = await params;
      opened = await openLink(where.token, purpose, whence(request.headers), now);
      const { link } = opened;
      const sent = await readBody(request, schema);
      body = sent;
      const result = await behindLink(opened, now, (ctx, client) =>
        work(
          { ...ctx, deviceNow: deviceTimeOf(request.headers.get(DEVICE_TIME)) },
          client,
          link,
          sent,
          where,
        ),
      );
      return Response.json({ ok: true, result: result ?? null });
    } catch (error) {
      const deed = attemptOf(error);
      if (opened && deed !== null)
        await keepAttempt(opened.actor, new Date(), {
          deed,
          sentence: (error as Error).message,
          clientId: null,
          visitId: opened.link.visitId,
          content: body,
        }).catch(() => undefined);
      return problemResponse(error);
    }
  };
}

/** For pages behind a link: what `work` finds, or the sentence why the link does not open. Asked once per request. */
export async function onLinkPage<T>(
  token: string,
  purpose: OpenLink["purpose"],
  work: (ctx: Ctx, client: ClientEpisode, link: OpenLink) => Promise<T>,
): Promise<{ clinic: string; data: T } | { sentence: string }> {
  try {
    const now = new Date();
    const opened = await openedOnce(token, purpose);
    const data = await behindLink(opened, now, (ctx, client) => work(ctx, client, opened.link), true);
    return { clinic: opened.actor.clinicName, data };
  } catch (error) {
    if (error instanceof Refused) return { sentence: error.message };
    throw error;
  }
}

const openedOnce = cache(async (token: string, purpose: OpenLink["purpose"]) =>
  openLink(token, purpose, whence(await headers()), new Date()),
);
