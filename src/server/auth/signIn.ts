import "server-only";
import { createHash, randomBytes } from "node:crypto";
import { z } from "zod";
import { role } from "@/core/access/roles";
import type { Actor } from "../base/context";
import { db } from "../base/db";
import { Refused } from "../base/refused";
import { passwordFits } from "./password";

export const signInInput = z.object({
  email: z
    .string({ error: "input.email" })
    .trim()
    .min(1, { error: "input.email" })
    .max(200, { error: "input.email_long" })
    // one letter has one form here: İ and i are not the same address to some and the same to others
    .regex(/^[\x21-\x7e]+$/, { error: "input.email_plain" })
    .transform((address) => address.toLowerCase()),
  password: z
    .string({ error: "input.password" })
    .min(1, { error: "input.password" })
    .max(200, { error: "input.password_long" }),
});

export const SESSION_HOURS = 12;
const MOST_TRIES = 8;

const tokenHash = (token: string): Buffer => createHash("sha256").update(token).digest();

/** Checks a password and opens a server-side session; returns the cookie's token. At most 8 tries in 15 minutes. */
export async function signIn(input: z.infer<typeof signInInput>, now: Date): Promise<string> {
  const sql = db();
  const { email } = signInInput.parse(input);
  const key = createHash("sha256").update(email).digest("hex");
  const [gate] = await sql`select auth_may_try(${key}, ${MOST_TRIES}) as may`;
  if (!gate?.may)
    throw new Refused(
      "too-many",
      "Too many tries for this address. Wait a quarter of an hour, then try again.",
    );
  const [found] = await sql`select * from auth_find_person(${email})`;
  if (!(await passwordFits(found?.password_hash ?? null, input.password)))
    throw new Refused("signed-out", "E-mail address and password do not fit. Check both and try again.");
  await sql`select auth_forget_tries(${key})`;
  const token = randomBytes(32).toString("base64url");
  const until = new Date(now.getTime() + SESSION_HOURS * 3_600_000);
  await sql`select auth_open_session(${tokenHash(token)}, ${found?.person_id}, ${until})`;
  return token;
}

export async function signOut(token: string): Promise<void> {
  await db()`select auth_close_session(${tokenHash(token)})`;
}

/** Who a session token belongs to, null if it is unknown or has run out. */
export async function actorOf(token: string): Promise<Actor | null> {
  const [row] = await db()`select * from auth_find_session(${tokenHash(token)})`;
  if (!row) return null;
  return {
    personId: row.person_id,
    clinicId: row.clinic_id,
    name: row.name,
    role: role.parse(row.role),
    massUnit: row.mass_unit === "lb" ? "lb" : "kg",
    locale: row.locale,
    clinicName: row.clinic_name,
    timeZone: row.time_zone,
  };
}
