import type { Said } from "@/core/units/said";

/** A request that is understood but not done; the sentence says why and what can be done. */
export class Refused extends Error {
  constructor(
    readonly kind: "signed-out" | "forbidden" | "missing" | "conflict" | "too-many",
    readonly said: Said,
  ) {
    super(typeof said === "string" ? said : said.code);
    this.name = "Refused";
  }
}

const attempts = new WeakMap<Error, string>();

/** Marks a refusal that a therapist should see: something was tried that role, limits or a warning do not allow. */
export function attempted<E extends Error>(deed: string, error: E): E {
  attempts.set(error, deed);
  return error;
}

/** The deed that was tried; null for a refusal that says nothing about anybody. */
export const attemptOf = (error: unknown): string | null =>
  error instanceof Error ? (attempts.get(error) ?? null) : null;

/** The same record again changes nothing; another one under the same id is refused, and kept aside. */
export function mustBeSame(isSame: boolean, deed: string, what: string): void {
  if (!isSame)
    throw attempted(
      deed,
      new Refused(
        "conflict",
        `${what}. What was sent first stands; this one is kept aside for the therapist to look at.`,
      ),
    );
}
