import "server-only";
import { headers } from "next/headers";
import { cache } from "react";
import type { z } from "zod";
import type { Language } from "@/core/units/language";
import type { Said } from "@/core/units/said";
import { keepAttempt } from "@/server/base/attempts";
import type { Ctx } from "@/server/base/context";
import { attemptOf, Refused } from "@/server/base/refused";
import { deviceTimeOf } from "@/server/base/tabletTime";
import type { ClientEpisode } from "@/server/client/clients";
import { behindLink, type OpenLink, openLink } from "@/server/links/open";
import { sayTo } from "@/words/say";
import { DEVICE_TIME, mustBeSameOrigin, problemResponse, readBody, refusalOf } from "./route";

/** Where a request comes from, as far as it says so; only used to slow those who guess. */
const whence = (h: Headers): string => h.get("x-forwarded-for")?.split(",")[0]?.trim() ?? "somewhere";

/**
 * A route behind a link: same origin, the link's signature and date, body by schema, work in one transaction of the
 * link's clinic. `work` gets the one client and the one thing that the link opens.
 */
export function linkChanges<S extends z.ZodType>(
  purpose: OpenLink["purpose"] | null,
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
    let language: Language = "en";
    try {
      mustBeSameOrigin(request);
      const now = new Date();
      const where = await params;
      opened = await openLink(where.token, purpose, whence(request.headers), now);
      const { link } = opened;
      const sent = await readBody(request, schema);
      body = sent;
      const result = await behindLink(opened, now, (ctx, client) => {
        language = client.language;
        const at = deviceTimeOf(request.headers.get(DEVICE_TIME));
        return work({ ...ctx, deviceNow: at }, client, link, sent, where);
      });
      return Response.json({ ok: true, result: result ?? null });
    } catch (error) {
      const deed = attemptOf(error);
      if (opened && deed !== null)
        await keepAttempt(opened.actor, new Date(), {
          deed,
          sentence: refusalOf(error),
          clientId: null,
          visitId: opened.link.visitId,
          content: body,
        }).catch(() => undefined);
      return problemResponse(error, sayTo({ language, massUnit: "kg" }));
    }
  };
}

/** For pages behind a link: what `work` finds, or why the link does not open. Asked once per request. */
export async function onLinkPage<T>(
  token: string,
  purpose: OpenLink["purpose"],
  work: (ctx: Ctx, client: ClientEpisode, link: OpenLink) => Promise<T>,
): Promise<{ clinic: string; language: Language; data: T } | { why: Said }> {
  try {
    const now = new Date();
    const opened = await openedOnce(token, purpose);
    let language: Language = "en";
    const data = await behindLink(
      opened,
      now,
      (ctx, client) => {
        language = client.language;
        return work(ctx, client, opened.link);
      },
      true,
    );
    return { clinic: opened.actor.clinicName, language, data };
  } catch (error) {
    if (error instanceof Refused) return { why: error.said };
    throw error;
  }
}

const openedOnce = cache(async (token: string, purpose: OpenLink["purpose"]) =>
  openLink(token, purpose, whence(await headers()), new Date()),
);
