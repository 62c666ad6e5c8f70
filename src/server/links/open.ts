import "server-only";
import { createHash } from "node:crypto";
import { setTimeout as wait } from "node:timers/promises";
import type { Said } from "@/core/units/said";
import type { Actor, Ctx } from "../base/context";
import { db, inClinic } from "../base/db";
import { Refused } from "../base/refused";
import { type ClientEpisode, clientEpisodes } from "../client/clients";
import { idOf, isSigned } from "./token";

/** One thing that a link opens, and for whom. */
export interface OpenLink {
  id: string;
  purpose: "morning" | "home";
  episodeId: string;
  visitId: string | null;
  sheetId: string | null;
  expiresAt: Date;
}

/** Wrong links from one address within a quarter of an hour before each further answer is slowed. */
const MOST_WRONG = 20;
const SLOWED_MS = 1500;

const WRONG: Said = { code: "link.wrong" };
const RUN_OUT: Said = { code: "link.run_out" };

/**
 * The link behind a token, of one purpose or (null) of any, with who works behind it. Throws Refused where it is wrong, of another purpose, taken back or
 * run out; wrong ones are counted by where they come from, and a flood of them is slowed.
 */
export async function openLink(
  token: string,
  purpose: OpenLink["purpose"] | null,
  from: string,
  now: Date,
): Promise<{ link: OpenLink; actor: Actor }> {
  const id = idOf(token);
  const [r] = id === null ? [] : await db()`select * from link_find(${id})`;
  if (!id || !r || !isSigned(token, id, r.key) || (purpose !== null && r.purpose !== purpose)) {
    const key = createHash("sha256").update(`wrong link ${from}`).digest("hex");
    const [gate] = await db()`select auth_may_try(${key}, ${MOST_WRONG}) as may`;
    if (!gate?.may) {
      await wait(SLOWED_MS);
      throw new Refused("too-many", { code: "link.too_many" });
    }
    throw new Refused("missing", WRONG);
  }
  if (r.is_revoked || r.expires_at <= now) throw new Refused("missing", RUN_OUT);
  return {
    link: {
      id,
      purpose: r.purpose,
      episodeId: r.episode_id,
      visitId: r.visit_id,
      sheetId: r.sheet_id,
      expiresAt: r.expires_at,
    },
    actor: {
      personId: r.person_id,
      clinicId: r.clinic_id,
      name: "the client",
      role: "client",
      massUnit: "kg",
      locale: "en-GB",
      clinicName: r.clinic_name,
      timeZone: r.time_zone,
    },
  };
}

/** Work behind a link, in its clinic, with its client. A client out of care has no links any more. */
export async function behindLink<T>(
  opened: { link: OpenLink; actor: Actor },
  now: Date,
  work: (ctx: Ctx, client: ClientEpisode) => Promise<T>,
  isPage = false,
): Promise<T> {
  const { link, actor } = opened;
  return inClinic(actor.clinicId, async (tx) => {
    const ctx: Ctx = { tx, actor, now, ...(isPage ? { asked: new Map() } : {}) };
    const [client] = await clientEpisodes(ctx, { episodeIds: [link.episodeId] });
    if (!client) throw new Refused("missing", RUN_OUT);
    return work(ctx, client);
  });
}
