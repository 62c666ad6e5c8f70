import "server-only";
import path from "node:path";
import { Worker } from "node:worker_threads";
import { InputError } from "@/core/units/inputError";
import { Refused } from "./refused";

/** So many at once, and so many that wait for their turn; who comes after that is asked to come again. */
const MOST_AT_ONCE = 2;
const MOST_WAITING = 20;

interface Bounds {
  /** the thread is ended after so long */
  mostMs: number;
  mostMegabytes: number;
  /** the field and the sentence where it took too long or too much */
  field: string;
  tooMuch: string;
}

let atOnce = 0;
const waiting: (() => void)[] = [];

async function turn(): Promise<void> {
  if (atOnce < MOST_AT_ONCE) {
    atOnce += 1;
    return;
  }
  if (waiting.length >= MOST_WAITING)
    throw new Refused("too-many", "The clinic's server is busy with other files. Try again in a minute.");
  await new Promise<void>((go) => waiting.push(go));
}

function done(): void {
  const next = waiting.shift();
  if (next) next();
  else atOnce -= 1;
}

/**
 * Runs a file of `server-workers/` in a thread of its own, within time and memory, so that nothing that somebody sends can
 * hold the server. The file says `{ sentence }` where the input is wrong, anything else is the answer.
 */
export async function inThread<T extends object>(
  file: string,
  workerData: unknown,
  bounds: Bounds,
): Promise<T> {
  await turn();
  const { field, tooMuch, mostMs, mostMegabytes } = bounds;
  try {
    return await new Promise<T>((answer, refuse) => {
      // "new Worker" would be taken for a part of the bundle and looked for there
      const worker: Worker = Reflect.construct(Worker, [
        path.join(process.cwd(), "server-workers", file),
        { workerData, resourceLimits: { maxOldGenerationSizeMb: mostMegabytes }, env: {} },
      ]);
      const late = setTimeout(() => {
        void worker.terminate();
        refuse(new InputError(field, tooMuch));
      }, mostMs);
      worker.once("message", (said: T | { sentence: string }) => {
        clearTimeout(late);
        void worker.terminate();
        if ("sentence" in said && typeof said.sentence === "string")
          refuse(new InputError(field, said.sentence));
        else answer(said as T);
      });
      worker.once("error", (error) => {
        clearTimeout(late);
        const isMemory = (error as { code?: string }).code === "ERR_WORKER_OUT_OF_MEMORY";
        refuse(isMemory ? new InputError(field, tooMuch) : error);
      });
    });
  } finally {
    done();
  }
}
