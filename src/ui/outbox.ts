"use client";
import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import { useCallback, useEffect, useRef, useState } from "react";
import { send } from "./send";

interface Letter {
  path: string;
  body: unknown;
}

interface FloorDb extends DBSchema {
  outbox: { key: number; value: Letter };
  runs: { key: string; value: unknown };
  /** letters the clinic refused, with its sentence: set aside, not thrown away */
  refused: { key: number; value: Letter & { sentence: string } };
}

let opened: Promise<IDBPDatabase<FloorDb>> | undefined;

/** The tablet's own store: letters on their way to the clinic, and the events of runs under way. */
function floorDb(): Promise<IDBPDatabase<FloorDb>> {
  opened ??= openDB<FloorDb>("bexlo-floor", 1, {
    upgrade(db) {
      db.createObjectStore("outbox", { autoIncrement: true });
      db.createObjectStore("runs");
      db.createObjectStore("refused", { autoIncrement: true });
    },
  });
  return opened;
}

export async function keepRun(sessionId: string, events: unknown): Promise<void> {
  await (await floorDb()).put("runs", events, sessionId);
}

export async function keptRun<T>(sessionId: string): Promise<T | null> {
  return ((await (await floorDb()).get("runs", sessionId)) as T | undefined) ?? null;
}

const RETRY_MS = 3000;

/**
 * Posts what was logged, in order, and keeps it in the browser until the clinic has it. A letter that the clinic
 * refuses is set aside with its sentence; one that cannot be delivered waits and is tried again.
 */
export function useOutbox() {
  const [waiting, setWaiting] = useState(0);
  const [refused, setRefused] = useState<string | null>(null);
  // what was logged and is not written down here yet: it waits too, so that "saved" is never said too early
  const coming = useRef(0);

  const flush = useCallback(async () => {
    // one flush at a time over all tabs, so that letters keep their order
    await navigator.locks.request("bexlo-outbox", async () => {
      const db = await floorDb();
      for (const key of await db.getAllKeys("outbox")) {
        const letter = await db.get("outbox", key);
        if (!letter) continue;
        const sent = await send(letter.path, letter.body);
        const isAway = !sent.ok && (sent.status === 0 || sent.status >= 500 || sent.status === 401);
        if (isAway) break;
        if (!sent.ok) {
          const sentence = sent.problems[0]?.sentence ?? "The clinic refused an entry.";
          await db.add("refused", { ...letter, sentence });
          setRefused(sentence);
        }
        await db.delete("outbox", key);
      }
      const left = await db.count("outbox");
      setWaiting(left + coming.current);
    });
  }, []);

  const post = useCallback(
    async (path: string, body: unknown) => {
      coming.current += 1;
      setWaiting((n) => n + 1);
      try {
        await (await floorDb()).add("outbox", { path, body });
      } finally {
        coming.current -= 1;
      }
      await flush();
    },
    [flush],
  );

  useEffect(() => {
    flush();
    const timer = setInterval(flush, RETRY_MS);
    window.addEventListener("online", flush);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", flush);
    };
  }, [flush]);

  return { waiting, refused, post };
}
