import "server-only";
import { hash, verify } from "@node-rs/argon2";
import { Refused } from "../base/refused";

/** argon2id, 19 MiB, two passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** Hashes are costly on purpose: so many at once, and so many may wait. */
const AT_ONCE = 2;
const MOST_WAITING = 40;
let running = 0;
const waiting: (() => void)[] = [];

async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (running >= AT_ONCE) {
    if (waiting.length >= MOST_WAITING)
      throw new Refused(
        "too-many",
        "Too many people are signing in at this moment. Try again in a few seconds.",
      );
    await new Promise<void>((go) => waiting.push(go));
  } else running++;
  try {
    return await work();
  } finally {
    // the place is handed on, or given back
    const next = waiting.shift();
    if (next) next();
    else running--;
  }
}

let decoy: Promise<string> | undefined;

/** True if the password fits. Without a stored hash it takes as long and says no, so that addresses cannot be probed. */
export async function passwordFits(stored: string | null, password: string): Promise<boolean> {
  decoy ??= hashPassword("nobody has this password");
  const against = stored ?? (await decoy);
  const fits = await inTurn(() => verify(against, password));
  return stored !== null && fits;
}
