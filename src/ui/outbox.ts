"use client";
import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import { useCallback, useEffect, useRef, useState } from "react";
import { send } from "./send";

/** Whose letters they are: somebody signed in at a clinic, or a link. Letters of others are never posted, nor dropped. */
export interface Owner {
  /** the person of a clinic, or the link */
  key: string;
  /** said on the tablet while their letters wait */
  name: string;
  /** a person's id: the clinic takes their letters from nobody else. Null behind a link */
  personId: string | null;
  /** what a link is for, so that another link of the same can take over what this one could not bring */
  about: string | null;
}

interface Letter {
  path: string;
  body: unknown;
  /** missing: of a time before letters said whose they are */
  of?: string;
  name?: string;
  about?: string | null;
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

/** A run as one person knows it: two on one tablet never go on from each other's unsent entries. */
export const runKey = (ownerKey: string, visitId: string): string => `${ownerKey} ${visitId}`;

/** A link has ended: what it brought goes; letters that the clinic does not have stay, for the next link. */
export async function forgetLink(token: string): Promise<void> {
  const db = await floorDb();
  const begun = (await db.get("runs", `home ${token}`)) as { id?: string } | undefined;
  if (begun?.id) await db.delete("runs", runKey(`link ${token}`, begun.id));
  await db.delete("runs", `home ${token}`);
}

const RETRY_MS = 3000;
const isOf = (letter: Letter, owner: Owner): boolean => (letter.of ?? owner.key) === owner.key;
/** Of an earlier link for the same. */
const isEarlier = (letter: Letter, owner: Owner): boolean =>
  owner.about !== null && letter.about === owner.about && letter.of !== owner.key;

export interface Outbox {
  /** whose it is: what they logged and the clinic does not have yet is shown to nobody else */
  ownerKey: string;
  /** own letters that the clinic does not have yet */
  waiting: number;
  /** own letters that it refused: kept here */
  refused: number;
  /** the sentence of the newest refusal; null: none since this page opened, and none kept */
  refusal: string | null;
  /** letters of other people that wait here until they are back */
  others: readonly { name: string; count: number }[];
  /** letters that an earlier link for the same could not bring */
  earlier: number;
  post: (path: string, body: unknown) => Promise<void>;
  /** sends what an earlier link could not bring by this one; `pathOf` makes the new address of an old one */
  handOver: (pathOf: (path: string) => string, mark: (body: unknown) => unknown) => Promise<void>;
}

/**
 * Posts what was logged, in order, and keeps it in the browser until the clinic has it. A letter that the clinic
 * refuses is set aside with its sentence; one that cannot be delivered waits and is tried again. One a page.
 */
export function useOutbox(owner: Owner): Outbox {
  const [waiting, setWaiting] = useState(0);
  const [refused, setRefused] = useState(0);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [others, setOthers] = useState<Outbox["others"]>([]);
  const [earlier, setEarlier] = useState(0);
  // what was logged and is not written down here yet: it waits too, so that "saved" is never said too early
  const coming = useRef(0);
  const { key, name, personId, about } = owner;
  const me = useRef(owner);
  me.current = owner;

  const count = useCallback(async () => {
    const db = await floorDb();
    const [all, aside] = await Promise.all([db.getAll("outbox"), db.getAll("refused")]);
    const own = me.current;
    setWaiting(all.filter((l) => isOf(l, own)).length + coming.current);
    const mine = aside.filter((l) => isOf(l, own));
    setRefused(mine.length);
    setRefusal((said) => said ?? mine.at(-1)?.sentence ?? null);
    setEarlier([...all, ...aside].filter((l) => isEarlier(l, own)).length);
    const names = new Map<string, number>();
    for (const l of all)
      if (!isOf(l, own) && !isEarlier(l, own) && own.personId !== null)
        names.set(l.name ?? "somebody", (names.get(l.name ?? "somebody") ?? 0) + 1);
    setOthers([...names].map(([n, c]) => ({ name: n, count: c })));
  }, []);

  const flush = useCallback(async () => {
    // one flush at a time over all tabs, so that letters keep their order
    await navigator.locks.request("bexlo-outbox", async () => {
      const db = await floorDb();
      for (const k of await db.getAllKeys("outbox")) {
        const letter = await db.get("outbox", k);
        if (!letter || !isOf(letter, me.current)) continue;
        const sent = await send(letter.path, letter.body, undefined, me.current.personId);
        const isAway = !sent.ok && (sent.status === 0 || sent.status >= 500 || sent.status === 401);
        if (isAway) break;
        if (!sent.ok) {
          const sentence = sent.problems[0]?.sentence ?? "The clinic refused an entry.";
          await db.add("refused", { ...letter, of: me.current.key, sentence });
          setRefusal(sentence);
        }
        await db.delete("outbox", k);
      }
      await count();
    });
  }, [count]);

  const post = useCallback(
    async (path: string, body: unknown) => {
      coming.current += 1;
      setWaiting((n) => n + 1);
      try {
        await (await floorDb()).add("outbox", { path, body, of: key, name, about });
      } finally {
        coming.current -= 1;
      }
      await flush();
    },
    [flush, key, name, about],
  );

  const handOver = useCallback<Outbox["handOver"]>(
    async (pathOf, mark) => {
      await navigator.locks.request("bexlo-outbox", async () => {
        const db = await floorDb();
        // what was refused came before what still waits
        for (const store of ["refused", "outbox"] as const)
          for (const k of await db.getAllKeys(store)) {
            const letter = await db.get(store, k);
            if (!letter || !isEarlier(letter, me.current)) continue;
            const { path, body } = letter;
            await db.add("outbox", { path: pathOf(path), body: mark(body), of: key, name, about });
            await db.delete(store, k);
          }
      });
      setRefusal(null);
      await flush();
    },
    [flush, key, name, about],
  );

  // biome-ignore lint/correctness/useExhaustiveDependencies: another owner begins anew
  useEffect(() => {
    flush();
    const timer = setInterval(flush, RETRY_MS);
    window.addEventListener("online", flush);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", flush);
    };
  }, [flush, key, personId]);

  return { ownerKey: key, waiting, refused, refusal, others, earlier, post, handOver };
}
