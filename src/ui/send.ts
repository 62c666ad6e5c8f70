import type { FieldProblem } from "@/core/units/inputError";
import { wait } from "./shell/busy";
import { say } from "./shell/said";

export type Sent<T> = { ok: true; result: T } | { ok: false; status: number; problems: FieldProblem[] };

/**
 * Sends a change to a route; never throws. Status 0: the network did not answer and nothing is known. `said`: how it reads
 * once it is kept, where the screen has no line of its own for that. `as`: whose it is; the clinic takes it from nobody else who
 * signed in here meanwhile.
 */
export async function send<T = null>(
  path: string,
  body: unknown,
  said?: string,
  as: string | null = null,
): Promise<Sent<T>> {
  const end = wait();
  try {
    const response = await fetch(path, {
      method: "POST",
      // its own time with it: the clinic counts what passed here, and never reads this clock
      headers: {
        "content-type": "application/json",
        "x-device-time": String(Date.now()),
        ...(as && { "x-person": as }),
      },
      body: JSON.stringify(body),
    });
    const json = await response.json();
    if (response.ok && said) say(said);
    if (response.ok) return { ok: true, result: json.result as T };
    return { ok: false, status: response.status, problems: json.problems };
  } catch {
    const sentence = "The clinic's server does not answer. Nothing is lost here; try again.";
    return { ok: false, status: 0, problems: [{ field: "", sentence }] };
  } finally {
    end();
  }
}
