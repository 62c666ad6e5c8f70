import "server-only";
import { hash, verify } from "@node-rs/argon2";

/** argon2id, 19 MiB, two passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

let decoy: Promise<string> | undefined;

/** True if the password fits. Without a stored hash it takes as long and says no, so that addresses cannot be probed. */
export async function passwordFits(stored: string | null, password: string): Promise<boolean> {
  decoy ??= hashPassword("nobody has this password");
  const fits = await verify(stored ?? (await decoy), password);
  return stored !== null && fits;
}
